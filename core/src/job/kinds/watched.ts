import { Type } from '@sinclair/typebox';
import type { Verdict } from '../../judge/judge';
import { MOST_SAMPLES, type Sample } from '../../judge/series/samples';
import type { Sheet } from '../../sheet/schema';
import { refuse, type Refusal } from '../admission/refusal';
import { momentOf } from '../log/moment-of';
import { Id, Note, strict } from '../log/words';
import { judgeWatch, watchOf } from '../mended/judge-watch';
import type { Draft } from '../state/draft';
import { liveStateAt } from '../state/live-state';
import { defineKind, type EntryIn } from './kind';

const body = strict({
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
});
type WatchedEntry = EntryIn<'watched', typeof body>;

/**
 * A proof that fails is the machine seen to fail: it counts as the complaint seen, so that the suspects move.
 * One that then succeeds takes that back, and nothing more: whether the complaint is gone is looked for by itself.
 */
function lookBy(draft: Draft, entry: WatchedEntry, verdict: Verdict, sheet: Sheet): void {
  const last = draft.looked.at(-1);
  const failedLast = last?.kind === 'watched' && last.body.seen;
  if (verdict !== 'out' && !(verdict === 'in' && failedLast)) return;
  const state = liveStateAt(sheet, draft, momentOf(entry).time);
  draft.looked.push({
    ...entry,
    body: { seen: verdict === 'out' },
    ...(state !== undefined && { state }),
  });
}

/** A step of a prove procedure that is watched: figures over time, or what somebody saw. */
export const watched = defineKind({
  kind: 'watched',
  body,
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
    if (!judged) return;
    draft.watched.push({ ...entry, judged });
    lookBy(draft, entry, judged.verdict, sheet);
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
