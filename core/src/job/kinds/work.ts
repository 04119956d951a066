import { Type } from '@sinclair/typebox';
import { notDeadWords } from '../../conditions/next-safe';
import { words } from '../../schema-words';
import { findPart } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import { licenceRefusal } from '../admission/licence';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Note, strict } from '../log/words';
import { matchOf } from '../before-part/match';
import { namedCures } from '../work/cures';
import { doWork } from '../work/do-work';
import { badInBox } from '../work/compared';
import { trialsIn, WORK_KINDS, WORK_WORDS, type Work, type WorkKind } from '../work/work';
import { defineKind, type Admission } from './kind';

/** Hands in the machine: these are done on one that is proven dead. */
const HANDS: ReadonlySet<WorkKind> = new Set([
  'fitted',
  'put-back',
  'repaired',
  'cleaned',
  'reseated',
]);

/** Something done to the machine: from here on it is another one. */
export const work = defineKind({
  kind: 'work',
  body: strict({
    what: words(WORK_KINDS),
    part: Type.Optional(Id),
    repair: Type.Optional(Id),
    trial: Type.Optional(Type.Literal(true)),
    wanted: Type.Optional(Type.String({ maxLength: 200 })),
    batch: Type.Optional(Type.String({ minLength: 1, maxLength: 120 })),
    supplier: Type.Optional(Type.String({ minLength: 1, maxLength: 120 })),
    note: Note,
  }),
  group: 'findings',
  admit: (at) => workRefusal(at, at.entry.body),
  apply: doWork,
  words: workWords,
  record: workWords,
  place: () => ({ stage: 'mend' }),
});

export function workRefusal(
  { sheet, state, blind }: Pick<Admission<unknown>, 'sheet' | 'state' | 'blind'>,
  { what, part, repair, note }: Work,
): Refusal | undefined {
  const known = part === undefined ? undefined : findPart(sheet, part);
  if (part !== undefined && !known)
    return refuse('unknown-part', `This job’s sheet has no part “${part}”.`);
  if ((what === 'fitted' || what === 'put-back') && !known)
    return refuse('unknown-part', 'Say which part.');
  if (repair !== undefined && !namedCures(sheet, repair))
    return refuse('unknown-repair', `This job’s sheet has no repair “${repair}”.`);
  if (part === undefined && repair === undefined && note.trim() === '')
    return refuse('work-unsaid', 'Say what was done: the part, the repair, or in your own words.');
  if (what === 'put-back' && !trialsIn(state.works).some(({ body }) => body.part === part))
    return refuse('nothing-to-put-back', 'No trial part is in there that could come out again.');
  const unlicensed =
    licenceRefusal(state, known) ??
    licenceRefusal(
      state,
      sheet.repairs?.find((each) => each.id === repair),
    );
  if (unlicensed) return unlicensed;
  const bad =
    what === 'fitted' && part !== undefined ? badInBox(state.compared, part)[0] : undefined;
  if (bad)
    return refuse(
      'bad-in-box',
      `The new part reads bad itself: “${bad.test.title}”. Do not fit it; measure another one, or this one again.`,
    );
  const match = part === undefined ? undefined : state.matched.get(part);
  if (what === 'fitted' && match && matchOf(known, match.body).verdict === 'forbidden')
    return refuse(
      'no-match',
      `“${match.body.number}” does not match what this machine asks for. Do not fit it; hold another one against it.`,
    );
  if (!HANDS.has(what) || state.energy.kind === 'dead' || blind) return undefined;
  return refuse(
    'dead-not-proven',
    `${what === 'fitted' ? 'A part is fitted' : 'That is done'} on a machine that is proven dead. ${notDeadWords(sheet, state.energy)}`,
  );
}

/** `Fitted on trial: inverter board`. */
export function workWords({ what, part, repair, trial, wanted, note }: Work, sheet: Sheet): string {
  const named =
    (repair !== undefined &&
      (sheet.repairs?.find(({ id }) => id === repair)?.name ??
        sheet.tries?.find(({ id }) => id === repair)?.name ??
        repair)) ||
    (part !== undefined && (findPart(sheet, part)?.name ?? part)) ||
    note;
  const more = [wanted && `to ${wanted}`, named !== note && note].filter(Boolean).join('. ');
  return `${WORK_WORDS[what]}${trial ? ' on trial' : ''}: ${named}${more ? `, ${more}` : ''}`;
}
