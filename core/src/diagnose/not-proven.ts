/**
 * What is not proven, beside every conclusion: “good so far” is not “good”.
 */
import { sentence } from '../units/sentence';
import { testsOf } from '../sheet/all-tests';
import { observablesOf, shownBy } from '../sheet/observables';
import type { Fault, Sheet, Test } from '../sheet/schema';
import { ACCUSES } from './accused';
import { isMeasuredEvidence, type EvidenceItem, type Suspect } from './suspects';
import { energises, shortsOf } from '../job/findings/shorted';
import { momentOf } from '../job/log/moment-of';
import { effortOf, standingOf } from '../job/trail/effort';
import { isAsked } from '../job/trail/steps';
import { isSilent, type JobState, type Silent } from '../job/state/state';
import { nth } from '../numeric/nth';

export type NotProven =
  | { readonly kind: 'untaken'; readonly tests: readonly Test[] }
  | {
      readonly kind: 'part-taken';
      readonly test: Test;
      readonly taken: number;
      readonly of: number;
    }
  /** Says nothing: void, waiting for what it owes, or believable on the other side only. */
  | {
      readonly kind: Silent['kind'];
      readonly test: Test;
      readonly because: string;
    }
  /** It read bad and good with no work between. */
  | { readonly kind: 'comes-and-goes'; readonly test: Test }
  | {
      readonly kind: 'cannot-tell';
      readonly test: Test;
      readonly observable: string;
      readonly sentence: string;
    }
  /** Accuses after one single reading. */
  | { readonly kind: 'once'; readonly test: Test; readonly observable: string }
  | { readonly kind: 'licence'; readonly held: boolean | undefined }
  /** No reading speaks about these suspects; codes alone do not count. Likeliest first. */
  | { readonly kind: 'unheard'; readonly faults: readonly Fault[] }
  /** Readings spoke about these, and they are still likely, beside the one that leads. */
  | { readonly kind: 'not-cleared'; readonly faults: readonly Fault[] }
  /** The cheapest test left that could still clear the leading suspect. */
  | { readonly kind: 'could-clear'; readonly fault: Fault; readonly test: Test };

/** Suspects less likely than this are not worth a remark. */
const WORTH_NAMING = 0.02;
/** A suspect beside the leading one that is at least this likely has not been cleared. */
const STILL_LIKELY = 0.1;
/** A test could clear a fault that shows `ok` there less often than this. */
const TELLING = 0.5;

export function notProvenOf(
  sheet: Sheet,
  state: JobState,
  suspects: readonly Suspect[],
  evidence: readonly EvidenceItem[],
): NotProven[] {
  return [
    ...clearing(sheet, state, suspects),
    ...unheard(suspects, evidence),
    ...notCleared(suspects, evidence),
    ...licence(sheet, state),
    ...doubtful(state),
    ...once(state),
    ...untaken(sheet, state),
  ];
}

function clearing(sheet: Sheet, state: JobState, suspects: readonly Suspect[]): NotProven[] {
  const leader = suspects[0];
  if (!leader || leader.p < WORTH_NAMING) return [];
  const shorts = shortsOf(sheet, state);
  // As the machine stood at the latest entry: opening, isolating and waiting are in the price.
  const latest = state.log.at(-1);
  const from = standingOf(sheet, state, latest ? momentOf(latest).time : 0);
  const minutes = (test: Test) => effortOf(sheet, from, test).effort.minutes;
  const cheapest = testsOf(sheet)
    .filter((test) => !energises(sheet, shorts, test))
    .filter((test) =>
      observablesOf(test, sheet).some(
        (each) => !state.current.has(each.id) && chanceOfOk(leader.fault, each) < TELLING,
      ),
    )
    .map((test) => ({ test, minutes: minutes(test) }))
    .sort((a, b) => a.minutes - b.minutes)[0]?.test;
  return cheapest ? [{ kind: 'could-clear', fault: leader.fault, test: cheapest }] : [];
}

function chanceOfOk(fault: Fault, observable: Parameters<typeof shownBy>[1]): number {
  const shown = shownBy(fault, observable) ?? 'ok';
  return typeof shown === 'string' ? (shown === 'ok' ? 1 : 0) : (shown.ok ?? 0);
}

/** Whether any reading or answer, not only a code, says something about the suspect. */
const heard = ({ weights }: Suspect, evidence: readonly EvidenceItem[]): boolean =>
  weights.some(
    ({ factor }, i) =>
      isMeasuredEvidence(nth(evidence, i)) && Math.max(factor, 1 / factor) >= ACCUSES,
  );

function notCleared(suspects: readonly Suspect[], evidence: readonly EvidenceItem[]): NotProven[] {
  const faults = suspects
    .slice(1)
    .filter((suspect) => suspect.p >= STILL_LIKELY && heard(suspect, evidence))
    .map(({ fault }) => fault);
  return faults.length > 0 ? [{ kind: 'not-cleared', faults }] : [];
}

function unheard(suspects: readonly Suspect[], evidence: readonly EvidenceItem[]): NotProven[] {
  const faults = suspects
    .filter((suspect) => suspect.p >= WORTH_NAMING && !heard(suspect, evidence))
    .map(({ fault }) => fault);
  return faults.length > 0 ? [{ kind: 'unheard', faults }] : [];
}

function doubtful(state: JobState): NotProven[] {
  return [...state.current.values()].flatMap((taken): NotProven[] => {
    if (isSilent(taken.standing))
      return [{ kind: taken.standing.kind, test: taken.test, because: taken.standing.because }];
    if (taken.kind === 'answer') return [];
    const { verdict, remedy, sentence } = taken.judgement;
    if (verdict === 'cannot-tell' || verdict === 'not-settled')
      return [
        {
          kind: 'cannot-tell',
          test: taken.test,
          observable: taken.observable,
          sentence: remedy?.sentence ?? sentence ?? '',
        },
      ];
    return [];
  });
}

/** Repeat before you believe: what condemns after a single reading is not yet believed. */
function once(state: JobState): NotProven[] {
  return [...state.current.values()].flatMap((taken): NotProven[] =>
    taken.kind === 'reading' &&
    taken.standing.kind === 'counts' &&
    taken.judgement.verdict === 'out' &&
    taken.agreeing === 0 &&
    !taken.overruled
      ? [{ kind: 'once', test: taken.test, observable: taken.observable }]
      : [],
  );
}

function licence(sheet: Sheet, state: JobState): NotProven[] {
  if (!sheet.safety.licences?.length || state.licence?.body.held) return [];
  return [{ kind: 'licence', held: state.licence?.body.held }];
}

function untaken(sheet: Sheet, state: JobState): NotProven[] {
  const asked = testsOf(sheet).filter((test) => isAsked(state, test));
  const counts = asked.map((test) => {
    const observables = observablesOf(test, sheet);
    const taken = observables.filter((each) => state.current.has(each.id)).length;
    return { test, taken, of: observables.length };
  });
  const parts = counts
    .filter(({ taken, of }) => taken > 0 && taken < of)
    .map((count) => ({ kind: 'part-taken' as const, ...count }));
  const tests = counts.filter(({ taken }) => taken === 0).map(({ test }) => test);
  return tests.length > 0 ? [...parts, { kind: 'untaken', tests }] : parts;
}

/** Names one after the other; where there are more than `most`, the rest are counted. */
function listed(names: readonly string[], most: number): string {
  // One left over takes no more room by its name than by its count.
  if (names.length <= most + 1) return names.join('; ');
  return `${names.slice(0, most).join('; ')} and ${names.length - most} more`;
}

/** One short sentence for each kind of thing not proven. @param most names to list, where there are many */
export function notProvenWords(item: NotProven, most = Infinity): string {
  const faults = (each: readonly Fault[]) =>
    listed(
      each.map(({ name }) => name),
      most,
    );
  switch (item.kind) {
    case 'untaken':
      return `Not taken: ${listed(
        item.tests.map(({ title }) => title),
        most,
      )}.`;
    case 'part-taken':
      return `Taken in part, ${item.taken} of ${item.of}: ${item.test.title}.`;
    case 'void':
      return `Void: ${item.test.title}. ${sentence(item.because)}.`;
    case 'waits':
      return `Waits: ${item.test.title}. ${sentence(item.because)}.`;
    case 'one-sided':
      return `Cannot tell: ${item.test.title}. ${sentence(item.because)}.`;
    case 'comes-and-goes':
      return `Comes and goes: ${item.test.title}. Good once is not mended.`;
    case 'cannot-tell':
      return `Cannot tell: ${item.test.title}. ${item.sentence}`;
    case 'once':
      return `Read once only: ${item.test.title}. Repeat it before a part is condemned on it.`;
    case 'licence':
      return item.held === undefined
        ? 'Who may do the licensed part of this work was not said.'
        : 'Nobody here holds the licence: the licensed part of this work was not done.';
    case 'unheard':
      return `No reading speaks yet about: ${faults(item.faults)}.`;
    case 'not-cleared':
      return `Not cleared: ${faults(item.faults)}.`;
    case 'could-clear':
      return `Could still clear “${item.fault.name}”: ${item.test.title}.`;
    default:
      item satisfies never;
      return '';
  }
}
