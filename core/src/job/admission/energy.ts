/** Refusals that keep people from harm: the machine's state, plugs, live work, attempts, proving dead. */
import { notDeadWords } from '../../conditions/next-safe';
import { deadFor, latestOf, type Energy } from '../../conditions/energy';
import { pairAt } from '../../conditions/pairs';
import { wantsOf } from '../../conditions/wants';
import { functionOf } from '../../sheet/all-tests';
import { boardsOf, stateName } from '../../sheet/lookup';
import { sameLeads } from '../../sheet/places';
import {
  type MeasureTest,
  type Sheet,
  type SheetState,
  type Test,
  type TestPoint,
} from '../../sheet/schema';
import { formatQuantity } from '../../units/format';
import { plugsOf } from '../state/access';
import { meterProblem, type WantedOf } from '../findings/instruments';
import { refuse, type Refusal } from './refusal';
import type { JobState } from '../state/state';

/**
 * Whether the machine is in the state a test needs; also asked before a figure is typed.
 * @returns undefined when the test may be done now.
 */
export function energyRefusal(
  sheet: Sheet,
  energy: Energy,
  test: Test,
  point?: TestPoint,
): Refusal | undefined {
  const wants = wantsOf(sheet, test, point);
  if (wants.energy === 'any') return undefined;
  if (wants.energy === 'live') return liveRefusal(energy, wants.state);
  return deadFor(sheet, energy, boardsOf(test))
    ? undefined
    : refuse('dead-not-proven', notDeadWords(sheet, energy));
}

/**
 * Whether a state can be entered as the machine stands. Calling for heat on a closed machine is its ordinary
 * use, and wants no precautions; with a lid off or a plug out it is live work.
 */
export function beginRefusal(
  sheet: Sheet,
  { rules, energy, access, accessUnknown }: JobState,
  state: SheetState,
): Refusal | undefined {
  if (state.energy === 'dead')
    return deadFor(sheet, energy)
      ? undefined
      : refuse('dead-not-proven', notDeadWords(sheet, energy));
  const closed = rules === 2 && energy.kind === 'live' && access.size + accessUnknown.size === 0;
  return closed ? undefined : liveRefusal(energy, state);
}

function liveRefusal(energy: Energy, state: SheetState): Refusal | undefined {
  if (energy.kind !== 'live')
    return refuse(
      'not-live',
      `This test needs the unit live (${stateName(state)}). Re-energise it first; that ends the proof of dead.`,
    );
  if (!energy.acknowledged)
    return refuse('precautions-owed', 'Read the live-work precautions and confirm them first.');
  return undefined;
}

/** What harms on a dead machine too: a charged store under the capacitance dial, insulation through electronics. */
export function dialRefusal(
  sheet: Sheet,
  state: JobState,
  test: MeasureTest,
  point: TestPoint,
): Refusal | undefined {
  const fn = functionOf(test, point);
  if (fn === 'capacitance') return charged(sheet, state, point);
  if (fn !== 'insulation') return undefined;
  const plugged = plugsOf(sheet, test).filter(({ id }) => !state.access.has(id));
  if (plugged.length === 0) return undefined;
  return refuse(
    'electronics-plugged-in',
    `An insulation test drives hundreds of volts: with the electronics plugged in it ends them. First: ${plugged.map(({ name, id }) => name ?? id).join(', ')}.`,
  );
}

/** Above this many volts a capacitor counts as charged for a meter that is about to drive it. */
const CHARGED = 5;

function charged(sheet: Sheet, state: JobState, point: TestPoint): Refusal | undefined {
  const volts = lastVolts(sheet, state, point);
  if (volts === undefined || volts < CHARGED) return undefined;
  return refuse(
    'store-charged',
    `It read ${formatQuantity(volts, 'V')} there: capacitance on a charged capacitor gives a wrong figure and can end the meter. Drain it through a resistor made for that, measure the volts again, then this.`,
  );
}

/** Volts last read on the two places of a point, by their pair or by a test, either way round. */
function lastVolts(sheet: Sheet, state: JobState, point: TestPoint): number | undefined {
  const pair = pairAt(sheet, point);
  const asPair = pair && latestOf(state.energy, pair.id);
  const asTest = [...state.current.values()].findLast(
    (each) =>
      each.kind === 'reading' &&
      ['V=', 'V~'].includes(functionOf(each.test, each.point)) &&
      sameLeads(each.point, point),
  );
  const place = (entry: string) => state.log.findIndex(({ id }) => id === entry);
  const reading =
    asTest?.kind === 'reading' && (!asPair || place(asTest.entry) > place(asPair.entry))
      ? asTest.reading
      : asPair?.reading;
  return reading?.kind === 'value' ? Math.abs(reading.value) : undefined;
}

export function meterRefusal(
  meters: JobState['meters'],
  sheet: Sheet,
  wanted: WantedOf,
): Refusal | undefined {
  const problem = meterProblem(meters, sheet, wanted);
  return problem && refuse('meter-unfit', problem.message);
}
