/**
 * May this entry be appended? The same rule on the device and on the server. Refusals are about
 * safety and sense, never about the order of the work: the trail locks no other door.
 */
import { askedBy, resolveExpectation } from '../judge/given';
import { isSeries } from '../judge/test-expectation';
import { METER_FUNCTIONS } from '../meter/functions';
import { expectOf, functionOf } from '../sheet/all-tests';
import { findPart, findPoint, findTest, stateName, stateOf } from '../sheet/lookup';
import { isMeasured, type MeasureTest, type Sheet, type Test } from '../sheet/schema';
import { formatQuantity } from '../units/format';
import type { EntryOf, LogEntry } from './entries';
import type { Energy } from './energy';
import type { JobState } from './fold';
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
  const state = stateOf(sheet, test);
  if (state.energy === 'dead') {
    if (energy.kind === 'dead') return undefined;
    return refuse('dead-not-proven', deadReason(sheet, energy));
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

function deadReason(sheet: Sheet, energy: Energy): string {
  const below = formatQuantity(sheet.safety.bus.below, 'V');
  if (energy.kind === 'live')
    return 'The unit is LIVE. Isolate it, lock it, wait, and prove the bus dead before this test.';
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
  if (body.action === 'replace' && (body.part === null || !findPart(sheet, body.part)))
    return refuse('unknown-part', 'Choose a part of this sheet, or hand the job over.');
  if (body.reason.trim() === '' && (body.action === 'hand-over' || body.part !== body.leading))
    return refuse(
      'reason-owed',
      body.action === 'hand-over'
        ? 'Say why you stop here: the next person starts from it.'
        : 'Another part leads. Say why you choose this one; it goes on the record.',
    );
  return undefined;
}

function withdrawal(state: JobState, { body }: EntryOf<'withdrawn'>): Refusal | undefined {
  const target = state.log.find((each) => each.id === body.entry);
  if (!target || target.withdrawnBy !== undefined)
    return refuse('nothing-to-withdraw', 'There is nothing there to withdraw any more.');
  if (target.kind === 'opened' || target.kind === 'withdrawn')
    return refuse('nothing-to-withdraw', 'This entry cannot be withdrawn.');
  if (state.signed && target.kind !== 'signed')
    return refuse('job-signed', 'This job is signed. Withdraw the signature first.');
  return undefined;
}
