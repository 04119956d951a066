/** Refusals that keep people from harm: the machine's state, plugs, live work, attempts, proving dead. */
import { notDeadWords } from '../conditions/next-safe';
import {
  deadFor,
  latestOf,
  mayUnplug,
  openProof,
  storeVolts,
  type Energy,
} from '../conditions/energy';
import { elapsed } from '../conditions/moment';
import { findPair, pairAt, provingOf, type Pair } from '../conditions/pairs';
import { sourceProblem } from '../conditions/sources';
import { comesBack, standsProven } from '../conditions/come-back';
import { METER_FUNCTIONS } from '../meter/functions';
import { functionOf } from '../sheet/all-tests';
import { boardsOf, findAccess, findState, stateName, stateOf } from '../sheet/lookup';
import { sameLeads } from '../sheet/places';
import {
  type MeasureTest,
  type Sheet,
  type SheetState,
  type Test,
  type TestPoint,
} from '../sheet/schema';
import { formatQuantity } from '../units/format';
import { accessOwedFor, plugsOf } from './access';
import type { EntryOf } from './entries';
import { instrumentOf, meterProblem, type WantedOf } from './instruments';
import { momentOf } from './moment-of';
import { refuse, type Refusal } from './refusal';
import type { JobState } from './state';

/**
 * Whether the machine is in the state a test needs; also asked before a figure is typed.
 * @returns undefined when the test may be done now.
 */
export function energyRefusal(sheet: Sheet, energy: Energy, test: Test): Refusal | undefined {
  return stateRefusal(sheet, energy, stateOf(sheet, test), boardsOf(test));
}

function stateRefusal(
  sheet: Sheet,
  energy: Energy,
  state: SheetState,
  boards?: readonly string[],
): Refusal | undefined {
  if (state.energy === 'dead')
    return deadFor(sheet, energy, boards)
      ? undefined
      : refuse('dead-not-proven', notDeadWords(sheet, energy));
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

/** A plug is pulled or put back only with the supply off and its charge gone. */
export function access(
  sheet: Sheet,
  { energy }: JobState,
  { body }: EntryOf<'access'>,
  blind = false,
): Refusal | undefined {
  const known = findAccess(sheet, body.access);
  if (!known) return refuse('unknown-access', `This job’s sheet has no access “${body.access}”.`);
  if (known.energy !== 'dead' || energy.kind === 'dead' || blind) return undefined;
  if (mayUnplug(sheet, energy)) return undefined;
  return refuse(
    'dead-not-proven',
    `“${known.name ?? known.id}” wants the supply off. ${notDeadWords(sheet, energy)}`,
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

const outOfOrder = (message: string) => refuse('safe-step-out-of-order', message);

export function safeStep(
  sheet: Sheet,
  state: JobState,
  entry: EntryOf<'safed'>,
): Refusal | undefined {
  switch (entry.body.step) {
    case 'isolated':
      return undefined;
    case 'meter':
      return meterProof(sheet, state, entry);
    case 'pair':
      return pairRead(sheet, state, entry);
    case 'meter-proved':
    case 'bus':
    case 'meter-reproved':
      return refuse(
        'old-step',
        'This page is from before every pair was proven with its figure. Reload it, and prove the machine dead again.',
      );
    default:
      entry.body.step satisfies never;
      return undefined;
  }
}

/** The meter held to a known source: its figure must fit, on the function of the pairs. */
function meterProof(
  sheet: Sheet,
  { energy, meters }: JobState,
  { body }: EntryOf<'safed'>,
): Refusal | undefined {
  const { function: fn, source, reading } = body;
  if (!fn || !source)
    return outOfOrder('Say what the meter was held to, and on which function: AC or DC volts.');
  if (fn === 'V~' && reading?.kind === 'value' && reading.value < 0) return belowZero;
  const problem = sourceProblem(sheet, fn, source, reading, storeVolts(energy, fn));
  if (problem) return refuse('source-unfit', problem);
  return meterRefusal(meters, sheet, { function: fn, live: true });
}

const belowZero = refuse(
  'negative-reading',
  'A meter on AC volts shows nothing below zero. Check the figure.',
);

function pairRead(sheet: Sheet, state: JobState, entry: EntryOf<'safed'>): Refusal | undefined {
  const { energy, meters } = state;
  const { pair: id, function: fn, reading } = entry.body;
  const { gap } = provingOf(sheet);
  const pair = id === undefined ? undefined : findPair(sheet, id);
  if (!pair) return refuse('unknown-pair', gap ?? `This job’s sheet has no pair “${id ?? ''}”.`);
  if (energy.kind === 'live' || !energy.isolated)
    return outOfOrder('Isolate and lock the supply before a pair is measured.');
  if (fn !== pair.function)
    return refuse(
      'wrong-function',
      `${pair.name} is proven on ${METER_FUNCTIONS[pair.function].words}${fn ? `, not on ${METER_FUNCTIONS[fn].words}` : ''}: turn the dial and measure again.`,
    );
  if (!reading) return outOfOrder(`${pair.name} needs a figure: time alone is not proof.`);
  if (fn === 'V~' && reading.kind === 'value' && reading.value < 0) return belowZero;
  const covered = accessOwedFor(sheet, state, pair.access);
  if (covered.length > 0)
    return refuse(
      'access-owed',
      `${pair.name} lies under a cover. First: ${covered.map(({ name, id: own }) => name ?? own).join(', ')}.`,
    );
  return (
    meterRefusal(meters, sheet, { function: pair.function, live: true }) ??
    unprovenMeter(state, entry, pair)
  );
}

/** Below its limit after the wait, a figure counts only by a meter that was just proven. */
function unprovenMeter(
  { energy, meter }: JobState,
  entry: EntryOf<'safed'>,
  pair: Pair,
): Refusal | undefined {
  const moment = momentOf(entry);
  const { reading } = entry.body;
  const low = reading?.kind === 'value' && Math.abs(reading.value) < pair.deadBelow;
  const waits = energy.isolated && elapsed(energy.isolated, moment) < pair.waitMinutes * 60_000;
  // Watched as it falls, the figure that is low at last is kept: it says when to prove the meter.
  const before = latestOf(energy, pair.id);
  const watched = before !== undefined && before.judgement.verdict !== 'in';
  if (!low || waits || watched) return undefined;
  if (openProof(energy, pair.function, moment, instrumentOf(entry, meter))) return undefined;
  const dial = METER_FUNCTIONS[pair.function].words;
  const proof = energy.proofs[pair.function];
  if (!proof)
    return outOfOrder(
      `Prove the meter on a known source, on ${dial}, before ${pair.name} is measured.`,
    );
  return outOfOrder(
    proof.instrument === instrumentOf(entry, meter)
      ? `The meter was proven more than ten minutes ago. Prove it again on ${dial}, then measure ${pair.name}.`
      : `This figure comes from another meter than the one that was proven${entry.body.live ? '' : ', or past it'}. Prove this one on ${dial} first.`,
  );
}

/** Volts shown on a machine taken for dead are told as soon as they are seen, and only then. */
export function voltsSeen(
  sheet: Sheet,
  { energy }: JobState,
  { body }: EntryOf<'volts-seen'>,
): Refusal | undefined {
  return standsProven(energy) && comesBack(sheet, body)
    ? undefined
    : refuse('nothing-lost', 'No proof of dead stands against that figure.');
}

export function meterRefusal(
  meters: JobState['meters'],
  sheet: Sheet,
  wanted: WantedOf,
): Refusal | undefined {
  const problem = meterProblem(meters, sheet, wanted);
  return problem && refuse('meter-unfit', problem.message);
}
