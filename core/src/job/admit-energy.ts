/** Refusals that keep people from harm: the machine's state, plugs, live work, attempts, proving dead. */
import { findState, stateName, stateOf } from '../sheet/lookup';
import type { Sheet, SheetState, Test } from '../sheet/schema';
import { formatQuantity } from '../units/format';
import { mayUnplug } from './discharge';
import type { Energy } from './energy';
import type { EntryOf } from './entries';
import { meterProblem, type WantedOf } from './instruments';
import { refuse, type Refusal } from './refusal';
import type { JobState } from './state';

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
export function access(
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
export function energised(
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

export function window(
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

export function purged(
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

export function safeStep(
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

export function meterRefusal(
  meters: JobState['meters'],
  sheet: Sheet,
  wanted: WantedOf,
): Refusal | undefined {
  const problem = meterProblem(meters, sheet, wanted);
  return problem && refuse('meter-unfit', problem.message);
}
