/**
 * May this entry be appended? The same rule on the device and on the server. Refusals are about
 * safety and sense, never about the order of the work: the trail locks no other door.
 */
import { askedBy, resolveExpectation } from '../judge/given';
import { isSeries } from '../judge/test-expectation';
import { METER_FUNCTIONS } from '../meter/functions';
import { expectOf, functionOf } from '../sheet/all-tests';
import { findPart, findPoint, findState, findTest, stateName, stateOf } from '../sheet/lookup';
import { locate } from '../sheet/places';
import {
  isMeasured,
  type MeasureTest,
  type Sheet,
  type SheetState,
  type Test,
} from '../sheet/schema';
import { formatQuantity } from '../units/format';
import { mayUnplug } from './discharge';
import type { EntryKind, EntryOf, LogEntry } from './entries';
import type { Energy } from './energy';
import type { FoldedEntry, JobState } from './fold';
import { dutyOf, meterProblem, type WantedOf } from './instruments';

export type RefusalCode =
  | 'dead-not-proven'
  | 'not-live'
  | 'precautions-owed'
  | 'safe-step-out-of-order'
  | 'unknown-test'
  | 'wrong-function'
  | 'negative-reading'
  | 'meter-unfit'
  | 'given-owed'
  | 'given-beyond'
  | 'not-a-series'
  | 'not-in-order'
  | 'unknown-answer'
  | 'unknown-access'
  | 'unknown-state'
  | 'unknown-place'
  | 'second-person-owed'
  | 'licence-missing'
  | 'purge-owed'
  | 'nothing-to-judge'
  | 'contact-not-owed'
  | 'no-such-clock'
  | 'unknown-part'
  | 'reason-owed'
  | 'decision-owed'
  | 'nothing-to-withdraw'
  | 'already-open'
  | 'job-signed';

export interface Refusal {
  readonly code: RefusalCode;
  /** What stands in the way and what to do, for the technician. */
  readonly message: string;
}

const refuse = (code: RefusalCode, message: string): Refusal => ({ code, message });

/** @returns undefined when the entry may be appended. */
export function refusalOf(sheet: Sheet, state: JobState, entry: LogEntry): Refusal | undefined {
  if (entry.kind === 'withdrawn') return withdrawal(state, entry);
  if (state.signed)
    return refuse('job-signed', 'This job is signed. Withdraw the signature to go on with it.');
  switch (entry.kind) {
    case 'opened':
      return state.log.length > 0 ? refuse('already-open', 'This job is open already.') : undefined;
    case 'safed':
      return safeStep(sheet, state, entry);
    case 'reading':
      return reading(sheet, state, entry);
    case 'series':
      return series(sheet, state, entry);
    case 'given':
      return given(sheet, entry);
    case 'answer':
      return answer(sheet, state, entry);
    case 'access':
      return access(sheet, state, entry);
    case 'energised':
      return energised(sheet, state, entry);
    case 'window':
      return window(sheet, state, entry);
    case 'purged':
      return purged(sheet, state, entry);
    case 'clock-stopped':
      return state.clocks.some((clock) => clock.entry === entry.body.clock)
        ? undefined
        : refuse('no-such-clock', 'That clock does not run any more.');
    case 'contact':
    case 'voided':
    case 'overruled':
      return remark(state, entry);
    case 'photo':
      return photo(sheet, entry);
    case 'skipped':
      return findTest(sheet, entry.body.test) ? undefined : unknownTest(entry.body.test);
    case 'decision':
      return decision(sheet, entry);
    case 'signed':
      return state.decision
        ? undefined
        : refuse('decision-owed', 'Decide first: a report needs a decision, if only to hand over.');
    default:
      return undefined;
  }
}

const unknownTest = (id: string) => refuse('unknown-test', `This job’s sheet has no test “${id}”.`);

/**
 * Whether the machine is in the state a test needs; also asked before a figure is typed.
 * @returns undefined when the test may be done now.
 */
export function energyRefusal(sheet: Sheet, energy: Energy, test: Test): Refusal | undefined {
  return stateRefusal(sheet, energy, stateOf(sheet, test));
}

function stateRefusal(sheet: Sheet, energy: Energy, state: SheetState): Refusal | undefined {
  if (state.energy === 'dead') {
    if (energy.kind === 'dead') return undefined;
    return refuse('dead-not-proven', deadReason(sheet, energy, 'this test'));
  }
  if (energy.kind !== 'live')
    return refuse(
      'not-live',
      `This test needs the unit live (${stateName(state)}). Re-energise it first; that ends the proof of dead.`,
    );
  if (!energy.acknowledged)
    return refuse('precautions-owed', 'Read the live-work precautions and confirm them first.');
  return undefined;
}

function deadReason(sheet: Sheet, energy: Energy, what: string): string {
  const below = formatQuantity(sheet.safety.bus.below, 'V');
  if (energy.kind === 'live')
    return `The unit is LIVE. Isolate it, lock it, wait, and prove the bus dead before ${what}.`;
  switch (energy.next) {
    case 'prove-meter':
      return 'Dead is not proven: prove the meter on a known source, wait, then measure the bus.';
    case 'bus':
      return `Dead is not proven: the bus must be measured below ${below} after the wait.`;
    case 'reprove-meter':
      return 'Dead is not proven: prove the meter once more on the known source.';
    default:
      return 'Dead is not proven: isolate, wait and measure the bus first.';
  }
}

/** A plug is pulled or put back only with the supply off and its charge gone. */
function access(
  sheet: Sheet,
  { energy }: JobState,
  { body }: EntryOf<'access'>,
): Refusal | undefined {
  const known = sheet.access?.find((each) => each.id === body.access);
  if (!known) return refuse('unknown-access', `This job’s sheet has no access “${body.access}”.`);
  if (known.energy !== 'dead' || energy.kind === 'dead') return undefined;
  if (energy.kind === 'not-proven' && mayUnplug(sheet, energy.bus)) return undefined;
  return refuse(
    'dead-not-proven',
    `“${known.name ?? known.id}” wants the supply off. ${deadReason(sheet, energy, 'touching that plug')}`,
  );
}

/** Live work needs somebody in reach where the sheet says so, and a licence that nobody denied. */
function energised(
  sheet: Sheet,
  state: JobState,
  { body }: EntryOf<'energised'>,
): Refusal | undefined {
  if (state.licence && !state.licence.body.held)
    return refuse(
      'licence-missing',
      'Nobody here holds the licence this unit asks for. No live work: stop and call somebody who does.',
    );
  if (sheet.safety.secondPerson && !body.second?.trim())
    return refuse(
      'second-person-owed',
      'Live work on this unit wants a second person in reach who can switch off. Say who it is.',
    );
  return undefined;
}

function window(
  sheet: Sheet,
  { energy, attempts }: JobState,
  { body }: EntryOf<'window'>,
): Refusal | undefined {
  const state = findState(sheet, body.state);
  if (!state) return refuse('unknown-state', `This job’s sheet has no state “${body.state}”.`);
  const refusal = stateRefusal(sheet, energy, state);
  if (refusal) return refusal;
  const tried = attempts.get(state.id);
  if (!state.attempts || !tried || tried.count < state.attempts.most) return undefined;
  return refuse(
    'purge-owed',
    `${tried.count} attempts: no further one before the purge. ${state.attempts.say ?? ''}`.trim(),
  );
}

function purged(
  sheet: Sheet,
  { attempts }: JobState,
  { body, at }: EntryOf<'purged'>,
): Refusal | undefined {
  const state = findState(sheet, body.state);
  if (!state?.attempts)
    return refuse('unknown-state', `This job’s sheet counts no attempts of “${body.state}”.`);
  const tried = attempts.get(state.id);
  const until = tried && tried.lastAt + state.attempts.purge * 1000;
  if (until === undefined || Date.parse(at) >= until) return undefined;
  return refuse(
    'purge-owed',
    `The purge takes ${state.attempts.purge} s from the latest attempt; it is not over yet.`,
  );
}

/** What is said of an earlier finding must find it standing. */
function remark(
  state: JobState,
  entry: EntryOf<'contact'> | EntryOf<'voided'> | EntryOf<'overruled'>,
): Refusal | undefined {
  const target = state.taken.find((taken) => taken.entry === entry.body.entry);
  if (!target || target.standing.kind === 'withdrawn' || target.standing.kind === 'repeated')
    return refuse('nothing-to-judge', 'That reading no longer stands: nothing can be said of it.');
  if (entry.kind === 'contact' && !(target.kind === 'reading' && target.judgement.contactOwed))
    return refuse('contact-not-owed', 'That reading owes no proof of contact.');
  return undefined;
}

function photo(sheet: Sheet, { body }: EntryOf<'photo'>): Refusal | undefined {
  const { place, spot, test } = body;
  const known =
    (place === undefined || locate(sheet, place)) &&
    (spot === undefined || sheet.boards.some((board) => board.id === spot.board)) &&
    (test === undefined || findTest(sheet, test));
  return known
    ? undefined
    : refuse('unknown-place', 'The picture is of a place that this job’s sheet does not have.');
}

function safeStep(
  sheet: Sheet,
  { energy, meters }: JobState,
  entry: EntryOf<'safed'>,
): Refusal | undefined {
  const outOfOrder = (message: string) => refuse('safe-step-out-of-order', message);
  switch (entry.body.step) {
    case 'isolated':
      return undefined;
    case 'meter-proved':
      return energy.next === 'prove-meter'
        ? undefined
        : outOfOrder('Isolate and lock the supply before proving the meter.');
    case 'bus':
      if (!entry.body.reading)
        return outOfOrder('The bus needs a figure: time alone is not proof.');
      return energy.next === 'bus' || energy.next === 'reprove-meter'
        ? meterRefusal(meters, sheet, { function: 'V=', live: true })
        : outOfOrder('Isolate, and prove the meter on a known source, before measuring the bus.');
    case 'meter-reproved':
      return energy.next === 'reprove-meter'
        ? undefined
        : outOfOrder(
            `The bus must first read below ${formatQuantity(sheet.safety.bus.below, 'V')} after the wait.`,
          );
    default:
      entry.body.step satisfies never;
      return undefined;
  }
}

function meterRefusal(
  meters: JobState['meters'],
  sheet: Sheet,
  wanted: WantedOf,
): Refusal | undefined {
  const problem = meterProblem(meters, sheet, wanted);
  return problem && refuse('meter-unfit', problem.message);
}

/** The test and point that a figure belongs to, or why it belongs nowhere. */
function placeOf(
  sheet: Sheet,
  { body }: EntryOf<'reading'> | EntryOf<'series'>,
): Refusal | { test: MeasureTest; point: MeasureTest['points'][number] } {
  const test = findTest(sheet, body.test);
  if (test && !isMeasured(test))
    return refuse('unknown-test', `“${test.title}” takes an answer, not a figure.`);
  const point = test && findPoint(test, body.point);
  if (!test || !point) return unknownTest(`${body.test}@${body.point}`);
  const fn = functionOf(test, point);
  if (fn !== body.function)
    return refuse(
      'wrong-function',
      `This test wants the meter on ${METER_FUNCTIONS[fn].words}, not on ${METER_FUNCTIONS[body.function].words}.`,
    );
  return { test, point };
}

function reading(sheet: Sheet, state: JobState, entry: EntryOf<'reading'>): Refusal | undefined {
  const place = placeOf(sheet, entry);
  if ('code' in place) return place;
  const { test, point } = place;
  const { reading: figure } = entry.body;
  const { words, signed } = METER_FUNCTIONS[functionOf(test, point)];
  if (figure.kind === 'value' && figure.value < 0 && !signed)
    return refuse(
      'negative-reading',
      `A meter on ${words} shows nothing below zero. Check the figure.`,
    );
  const expect = expectOf(test, point);
  if (isSeries(expect))
    return refuse('not-a-series', `“${test.title}” wants a series of figures over time, not one.`);
  const asked = askedBy(expect);
  if (asked && !state.given.has(test.id))
    return refuse('given-owed', `First: ${asked.asks}. The limits of this test hang on it.`);
  return (
    energyRefusal(sheet, state.energy, test) ??
    meterRefusal(state.meters, sheet, dutyOf(sheet, test, point, state.given.get(test.id)))
  );
}

function series(sheet: Sheet, state: JobState, entry: EntryOf<'series'>): Refusal | undefined {
  const place = placeOf(sheet, entry);
  if ('code' in place) return place;
  const { test, point } = place;
  if (!isSeries(expectOf(test, point)))
    return refuse('not-a-series', `“${test.title}” wants one figure, not a series.`);
  const { samples } = entry.body;
  if (samples.some(({ t }, i) => i > 0 && t < samples[i - 1]!.t))
    return refuse('not-in-order', 'The figures of a series must stand in the order of time.');
  return (
    energyRefusal(sheet, state.energy, test) ??
    meterRefusal(state.meters, sheet, dutyOf(sheet, test, point))
  );
}

function given(sheet: Sheet, { body }: EntryOf<'given'>): Refusal | undefined {
  const test = findTest(sheet, body.test);
  if (!test || !isMeasured(test)) return unknownTest(body.test);
  const asking = test.points
    .map((point) => expectOf(test, point))
    .filter((expect) => !isSeries(expect))
    .filter((expect) => askedBy(expect));
  if (asking.length === 0)
    return refuse('unknown-test', `“${test.title}” asks for no such figure.`);
  const beyond = asking.some(
    (expect) => resolveExpectation(expect, body.value, sheet.curves ?? []) === undefined,
  );
  return beyond
    ? refuse(
        'given-beyond',
        'The sensor’s curve does not reach there. Check the figure and its unit.',
      )
    : undefined;
}

function answer(sheet: Sheet, state: JobState, entry: EntryOf<'answer'>): Refusal | undefined {
  const test = findTest(sheet, entry.body.test);
  if (!test || isMeasured(test)) return unknownTest(entry.body.test);
  if (!Object.hasOwn(test.answers, entry.body.answer))
    return refuse('unknown-answer', `“${entry.body.answer}” is not an answer to “${test.title}”.`);
  return energyRefusal(sheet, state.energy, test);
}

function decision(sheet: Sheet, { body }: EntryOf<'decision'>): Refusal | undefined {
  const { action, part, leading, reason } = body;
  if (action === 'replace' && (part === null || !findPart(sheet, part)))
    return refuse('unknown-part', 'Choose a part of this sheet, or hand the job over.');
  if (reason.trim() === '' && (action !== 'replace' || part !== leading))
    return refuse(
      'reason-owed',
      action === 'replace'
        ? 'Another part leads. Say why you choose this one; it goes on the record.'
        : 'Say why you stop here: the next person starts from it.',
    );
  return undefined;
}

const FACTS: ReadonlySet<EntryKind> = new Set(['opened', 'withdrawn', 'clock-set']);

/** Whether an entry can still be taken back: what the device itself noted cannot. */
export const canWithdraw = (entry: FoldedEntry): boolean =>
  entry.withdrawnBy === undefined && !FACTS.has(entry.kind);

function withdrawal(state: JobState, { body }: EntryOf<'withdrawn'>): Refusal | undefined {
  const target = state.log.find((each) => each.id === body.entry);
  if (!target || target.withdrawnBy !== undefined)
    return refuse('nothing-to-withdraw', 'There is nothing there to withdraw any more.');
  if (!canWithdraw(target)) return refuse('nothing-to-withdraw', 'This entry cannot be withdrawn.');
  if (state.signed && target.kind !== 'signed')
    return refuse('job-signed', 'This job is signed. Withdraw the signature first.');
  return undefined;
}
