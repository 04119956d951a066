/**
 * May this entry be appended? The same rule on the device and on the server. Refusals are about
 * safety and sense, never about the order of the work: the trail locks no other door.
 */
import { METER_FUNCTIONS } from '../meter/functions';
import { findPart, findPoint, findTest, stateName, stateOf } from '../sheet/lookup';
import type { Sheet, Test } from '../sheet/schema';
import { formatQuantity } from '../units/format';
import type { EntryOf, LogEntry } from './entries';
import type { Energy } from './energy';
import type { JobState } from './fold';

export type RefusalCode =
  | 'dead-not-proven'
  | 'not-live'
  | 'precautions-owed'
  | 'safe-step-out-of-order'
  | 'unknown-test'
  | 'wrong-function'
  | 'negative-reading'
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
      return safeStep(sheet, state.energy, entry);
    case 'reading':
      return reading(sheet, state, entry);
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

function safeStep(sheet: Sheet, energy: Energy, entry: EntryOf<'safed'>): Refusal | undefined {
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
        ? undefined
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

function reading(sheet: Sheet, state: JobState, entry: EntryOf<'reading'>): Refusal | undefined {
  const { body } = entry;
  const test = findTest(sheet, body.test);
  if (!test || !findPoint(test, body.point)) return unknownTest(`${body.test}@${body.point}`);
  if (test.how !== 'measure')
    return refuse('unknown-test', `“${test.title}” takes an answer, not a figure.`);
  if (test.function !== body.function)
    return refuse(
      'wrong-function',
      `This test wants the meter on ${METER_FUNCTIONS[test.function].words}, not on ${METER_FUNCTIONS[body.function].words}.`,
    );
  if (
    body.reading.kind === 'value' &&
    body.reading.value < 0 &&
    !METER_FUNCTIONS[test.function].signed
  )
    return refuse(
      'negative-reading',
      `A meter on ${METER_FUNCTIONS[test.function].words} shows nothing below zero. Check the figure.`,
    );
  return energyRefusal(sheet, state.energy, test);
}

function answer(sheet: Sheet, state: JobState, entry: EntryOf<'answer'>): Refusal | undefined {
  const test = findTest(sheet, entry.body.test);
  if (!test || test.how === 'measure') return unknownTest(entry.body.test);
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
