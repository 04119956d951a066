/**
 * What one closed job teaches: what it was, as far as a proven repair says so; what was said beforehand and
 * whether it was so; which tests told anything, and which limits a good machine failed. Made again from the log,
 * like the summary that it stands beside.
 */
import { Type, type Static } from '@sinclair/typebox';
import { knownOf } from '../diagnose/assess';
import { beliefFrom, type Belief } from '../diagnose/belief';
import { isWork, isTest, likeliest } from '../diagnose/evidence';
import { ImpossibleEvidenceError } from '../errors';
import type { EvidenceItem } from '../diagnose/suspects';
import { sharesOf } from '../diagnose/model';
import { mendedOf } from '../job/mended/mended';
import type { JobState } from '../job/state/state';
import { faultsOf, faultsOn } from '../job/work/cures';
import { fittedIn, WORK_WORDS } from '../job/work/work';
import { METER_FUNCTIONS } from '../meter/functions';
import { functionOf } from '../sheet/all-tests';
import { findPart } from '../sheet/lookup';
import { allObservables, shownBy } from '../sheet/observables';
import type { Sheet } from '../sheet/schema';
import { finiteLimits } from './readings-kept';
import { stepTimes } from './step-times';

const Chance = Type.Number({ minimum: 0, maximum: 1 });
const Count = Type.Integer({ minimum: 0 });

export const lessonSchema = Type.Object({
  /** Its repair was proven: only then does it count for the odds. */
  proven: Type.Boolean(),
  /** Of each fault that was mended, the chance that it was there on arrival, all being known. */
  faults: Type.Record(Type.String(), Chance),
  done: Type.Array(
    Type.Object({
      kind: Type.Union([Type.Literal('part'), Type.Literal('repair'), Type.Literal('other')]),
      /** Of the sheet; empty for what it does not name. */
      id: Type.String(),
      /** As it was called then. */
      name: Type.String(),
      /** Printed on the part that went in. */
      number: Type.Optional(Type.String()),
      batch: Type.Optional(Type.String()),
      supplier: Type.Optional(Type.String()),
    }),
  ),
  /** What was said last before hands went in; absent where nothing was decided. */
  said: Type.Optional(
    Type.Object({
      part: Type.String(),
      name: Type.String(),
      p: Chance,
      /** Another part was chosen. */
      overruled: Type.Optional(Type.String()),
      /** Whether the part said had the fault; absent while nothing is proven. */
      right: Type.Optional(Type.Boolean()),
      /** Whether the one chosen instead had it. */
      chosenRight: Type.Optional(Type.Boolean()),
    }),
  ),
  /** Codes of the sheet that were shown, whatever unit they named. */
  codes: Type.Array(Type.String()),
  /** By test: whether belief moved when it was taken. */
  moved: Type.Record(Type.String(), Type.Boolean()),
  /** Read bad though nothing that was wrong shows it. */
  failedGood: Type.Array(
    Type.Object({
      test: Type.String(),
      observable: Type.String(),
      outcome: Type.String(),
      /** As indicated, SI; absent for an answer or an overload. */
      value: Type.Optional(Type.Number()),
      unit: Type.Optional(Type.String()),
      low: Type.Optional(Type.Number()),
      high: Type.Optional(Type.Number()),
    }),
  ),
  /** By stage of the trail. */
  minutes: Type.Record(Type.String(), Type.Number({ minimum: 0 })),
  /** Absent in lessons from before presses were counted. */
  presses: Type.Optional(Type.Record(Type.String(), Type.Number({ minimum: 0 }))),
  entries: Type.Record(Type.String(), Count),
});
export type Lesson = Readonly<Static<typeof lessonSchema>>;

/** Total variation below which a belief has not moved. */
export const MOVED = 0.02;
/** Above it a fault was there. */
const LIKELY = 0.5;

/** @returns undefined while the job is open. */
export function lessonOf(sheet: Sheet, state: JobState): Lesson | undefined {
  if (!state.signed) return undefined;
  const proven = mendedOf(sheet, state)?.proven === true;
  return {
    proven,
    done: doneIn(sheet, state),
    codes: [...new Set(state.codes.map(({ shown, listed }) => listed?.code ?? shown))],
    ...believedIn(sheet, state, proven),
    ...stepTimes(sheet, state),
  };
}

type Believed = Pick<Lesson, 'faults' | 'said' | 'moved' | 'failedGood'>;

/** What nothing on the sheet explains teaches nothing of it, and stays on the record all the same. */
function believedIn(sheet: Sheet, state: JobState, proven: boolean): Believed {
  const known = explained(sheet, state);
  if (!known) return { faults: {}, moved: {}, failedGood: [] };
  const { evidence, inference } = known;
  const { belief, space, steps } = inference;
  const there = new Set(Object.keys(belief.faults).filter((id) => belief.faults[id]! > LIKELY));
  const beliefs = [0, ...evidence.keys()].map((_, i) => beliefFrom(space, steps.slice(0, i)));
  return {
    faults: proven
      ? Object.fromEntries(
          [...curedIn(sheet, state)].map((id) => [id, chance(belief.faults[id] ?? 0)] as const),
        )
      : {},
    ...saidIn(sheet, state, { beliefs, evidence, ...(proven && { there }) }),
    moved: movedIn(evidence, beliefs),
    failedGood: proven ? failedGood(sheet, evidence, there) : [],
  };
}

function explained(sheet: Sheet, state: JobState) {
  try {
    return knownOf(sheet, state);
  } catch (error) {
    if (error instanceof ImpossibleEvidenceError) return undefined;
    throw error;
  }
}

/** Faults that the standing work takes away; what came out again takes none. */
function curedIn(sheet: Sheet, { works }: JobState): ReadonlySet<string> {
  const inside = fittedIn(works);
  return new Set(
    works.flatMap(({ body }) => {
      if (body.what === 'put-back') return [];
      if (body.what === 'fitted' && (body.part === undefined || !inside.has(body.part))) return [];
      return faultsOf(sheet, body).map(({ id }) => id);
    }),
  );
}

/** What was done; where the work came after the log, what was decided. */
function doneIn(sheet: Sheet, { works, matched, decision }: JobState): Lesson['done'] {
  const inside = fittedIn(works);
  if (works.length === 0)
    return (decision?.body.endings ?? []).flatMap(({ kind, part, repair }): Lesson['done'] => {
      if (kind === 'replace' && part !== undefined) return [partDone(sheet, matched, part)];
      return kind === 'repair' && repair !== undefined ? [repairDone(sheet, repair)] : [];
    });
  return works.flatMap(({ body }): Lesson['done'] => {
    const { what, part: id, repair, batch, supplier } = body;
    if (what === 'put-back') return [];
    if (what === 'fitted') {
      if (id === undefined || !inside.has(id)) return [];
      return [
        {
          ...partDone(sheet, matched, id),
          ...(batch !== undefined && { batch }),
          ...(supplier !== undefined && { supplier }),
        },
      ];
    }
    if (repair !== undefined) return [repairDone(sheet, repair)];
    const on = id === undefined ? undefined : findPart(sheet, id)?.name;
    return [{ kind: 'other', id: '', name: `${WORK_WORDS[what]}: ${on ?? body.note}` }];
  });
}

function partDone(sheet: Sheet, matched: JobState['matched'], id: string): Lesson['done'][number] {
  const part = findPart(sheet, id);
  const number = matched.get(id)?.body.number ?? part?.number;
  return { kind: 'part', id, name: part?.name ?? id, ...(number !== undefined && { number }) };
}

const repairDone = (sheet: Sheet, id: string): Lesson['done'][number] => ({
  kind: 'repair',
  id,
  name: sheet.repairs?.find((each) => each.id === id)?.name ?? id,
});

interface Known {
  /** Before anything, then after each piece of evidence. */
  readonly beliefs: readonly Belief[];
  readonly evidence: readonly EvidenceItem[];
  /** Faults that were there, where the repair is proven. */
  readonly there?: ReadonlySet<string>;
}

/** The part that led before the first work, or for want of any at the end, with what was decided instead. */
function saidIn(
  sheet: Sheet,
  { decision }: JobState,
  { beliefs, evidence, there }: Known,
): Pick<Lesson, 'said'> {
  if (!decision) return {};
  const work = evidence.findIndex(({ evidence: item }) => isWork(item));
  const { parts } = beliefs[work < 0 ? evidence.length : work]!;
  const [part, p] = Object.entries(parts).reduce(
    (best, each) => (each[1] > best[1] ? each : best),
    ['', 0],
  );
  if (part === '') return {};
  const chosen = decision.body.endings.find(({ kind }) => kind === 'replace')?.part;
  const overruled = chosen !== undefined && chosen !== part ? chosen : undefined;
  const had = (id: string) => there && faultsOn(sheet, id).some((fault) => there.has(fault.id));
  const [right, chosenRight] = [had(part), overruled === undefined ? undefined : had(overruled)];
  return {
    said: {
      part,
      name: findPart(sheet, part)?.name ?? part,
      p: chance(p),
      ...(overruled !== undefined && { overruled }),
      ...(right !== undefined && { right }),
      ...(chosenRight !== undefined && { chosenRight }),
    },
  };
}

const chance = (p: number) => Math.min(1, Math.max(0, Number(p.toFixed(6))));

/** Of a test taken several times, whether any of them told something. */
function movedIn(
  evidence: readonly EvidenceItem[],
  beliefs: readonly Belief[],
): Record<string, boolean> {
  const moved: Record<string, boolean> = {};
  evidence.forEach(({ from }, i) => {
    if (from.kind !== 'taken') return;
    const { id } = from.taken.test;
    moved[id] = moved[id] === true || distance(beliefs[i]!, beliefs[i + 1]!) >= MOVED;
  });
  return moved;
}

function distance(a: Belief, b: Belief): number {
  return a.posterior.reduce((sum, p, h) => sum + Math.abs(p - b.posterior[h]!), 0) / 2;
}

/** Readings before any work that nothing of what was there shows. */
function failedGood(
  sheet: Sheet,
  evidence: readonly EvidenceItem[],
  there: ReadonlySet<string>,
): Lesson['failedGood'] {
  const observables = new Map(allObservables(sheet).map((each) => [each.id, each]));
  const faults = sheet.faults.filter(({ id }) => there.has(id));
  return evidence.flatMap(({ evidence: item, from }): Lesson['failedGood'] => {
    if (from.kind !== 'taken' || !isTest(item)) return [];
    const observable = observables.get(item.test);
    const outcome = likeliest(item);
    if (!observable || outcome === 'ok') return [];
    const shown = faults.some((fault) => {
      const shows = shownBy(fault, observable);
      return shows !== undefined && (sharesOf(shows)[outcome] ?? 0) > 0;
    });
    if (shown) return [];
    const { taken } = from;
    const value =
      taken.kind === 'reading' && taken.reading.kind === 'value' ? taken.reading.value : undefined;
    return [
      {
        test: taken.test.id,
        observable: item.test,
        outcome,
        ...(value !== undefined && { value }),
        ...(taken.kind === 'reading' && {
          unit: METER_FUNCTIONS[functionOf(taken.test, taken.point)].unit ?? '',
          ...finiteLimits(taken.judgement),
        }),
      },
    ];
  });
}
