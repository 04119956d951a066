import { Type } from '@sinclair/typebox';
import { MOST_SAMPLES, type Sample } from '../../judge/series/samples';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Note, strict } from '../log/words';
import { judgeWatch, watchOf } from '../mended/judge-watch';
import { defineKind } from './kind';

/** A step of a prove procedure that is watched: figures over time, or what somebody saw. */
export const watched = defineKind({
  kind: 'watched',
  body: strict({
    procedure: Id,
    step: Type.Integer({ minimum: 0, maximum: 999 }),
    samples: Type.Optional(
      Type.Unsafe<readonly Sample[]>(
        Type.Array(
          strict({
            t: Type.Number({ minimum: 0, maximum: 1e6 }),
            value: Type.Number({ minimum: -1e15, maximum: 1e15 }),
            driver: Type.Optional(Type.Number({ minimum: -1e9, maximum: 1e9 })),
          }),
          { minItems: 1, maxItems: MOST_SAMPLES },
        ),
      ),
    ),
    /** Seconds at which the event of the rule was marked. */
    event: Type.Optional(Type.Number({ minimum: 0, maximum: 1e6 })),
    /** Without figures: whether it did as it should. */
    seen: Type.Optional(Type.Boolean()),
    note: Note,
  }),
  group: 'findings',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    if (!watchOf(sheet, body.procedure, body.step))
      return refuse('unknown-step', 'This job’s sheet watches nothing there.');
    if (!body.samples && body.seen === undefined)
      return refuse('work-unsaid', 'Say what was seen: figures, or whether it did as it should.');
    const falls = body.samples?.some(({ t }, i, all) => t < (all[i - 1]?.t ?? 0));
    return falls
      ? refuse('not-in-order', 'The figures of a series must stand in the order of time.')
      : undefined;
  },
  apply(draft, entry, sheet) {
    const judged = judgeWatch(sheet, entry.body, draft.meters);
    if (judged) draft.watched.push({ ...entry, judged });
  },
  words({ procedure, step, samples, seen, note }, sheet) {
    const watch = watchOf(sheet, procedure, step);
    const told = samples
      ? `${samples.length} figures in ${Math.round(samples.at(-1)!.t)} s`
      : seen
        ? 'as it should'
        : 'not as it should';
    return [`Watched ${watch?.what ?? 'it'}: ${told}`, note].filter(Boolean).join('. ');
  },
  place: () => ({ stage: 'prove' }),
});
