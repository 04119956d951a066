/**
 * What it takes to take a test as the machine stands: its own minutes, what must be opened or put back,
 * and the switch between dead and live with its waits. Charged in full to whoever asks first: shared among
 * the tests that would profit, it made visits longer.
 */
import type { EnergyKind } from '../../conditions/energy';
import { baseState } from '../../conditions/live-state';
import { pairsOf } from '../../conditions/pairs';
import { outsOf, wantsOf } from '../../conditions/wants';
import { accessOwedFor, leftOpen } from '../state/access';
import { liveStateAt } from '../state/live-state';
import type { JobState } from '../state/state';
import { findState, stateName, stateOf } from '../../sheet/lookup';
import { isMeasured, type Access, type Sheet, type Test } from '../../sheet/schema';

/** Where a sheet states no minutes. */
const TEST_MINUTES = 1;
const ACCESS_MINUTES = 1;
/** Isolating and locking; then each pair, the meter tried with it. */
const ISOLATING_MINUTES = 3;
const PAIR_MINUTES = 0.5;
/** Precautions, supply on, the machine up again. */
const ENERGISING_MINUTES = 2;
const STATE_MINUTES = 1;
/** What work where it can hurt is worth avoiding, money: of live work where the sheet names a hazard. */
const LIVE_RISK = 5;
const OTHER_RISK = 2;

export interface Effort {
  readonly minutes: number;
  /** Money. */
  readonly risk: number;
  /** Why it takes more than its own minutes, in the order of doing. */
  readonly also: readonly string[];
}

/** Where the machine stands, or will once the tests before have been taken. */
export interface Standing {
  readonly energy: EnergyKind;
  /** Of a live machine; null while it is dead. */
  readonly state: string | null;
  readonly out: ReadonlySet<string>;
}

/** @param now - This device's time, ms. */
export const standingOf = (sheet: Sheet, state: JobState, now: number): Standing => ({
  energy: state.energy.kind,
  // As found, it is in the state that being on is.
  state:
    state.energy.kind !== 'live'
      ? null
      : (liveStateAt(sheet, state, now) ?? baseState(sheet)?.id ?? null),
  out: new Set(state.access),
});

/** What a test takes from there, and how the machine stands after it. */
export function effortOf(
  sheet: Sheet,
  from: Standing,
  test: Test,
): { readonly effort: Effort; readonly to: Standing } {
  const own = test.minutes ?? TEST_MINUTES;
  const risk = riskOf(sheet, test);
  const { energy: wanted, state } = wantsOf(sheet, test);
  if (test.offMachine) return { effort: { minutes: own, risk, also: [] }, to: from };
  // A look at a running machine wants it running, if no precautions.
  const energy = wanted !== 'any' ? wanted : state.energy === 'live' ? 'live' : from.energy;
  const owed = accessOwedFor(sheet, { access: from.out }, outsOf(test));
  const back = energy === 'live' ? mustGoBack(sheet, from, test) : [];
  // A plug is pulled and put back on a dead machine only.
  const viaDead = energy === 'dead' || [...owed, ...back].some((each) => each.energy === 'dead');
  const steps: [minutes: number, why: string][] = [];
  let at = from.energy;
  if (viaDead && at !== 'dead') {
    const proving = provingMinutes(sheet);
    steps.push(
      at === 'live'
        ? [ISOLATING_MINUTES + proving, 'switch off and prove it dead']
        : [proving, 'prove it dead'],
    );
    at = 'dead';
  }
  for (const each of owed) steps.push([each.minutes ?? ACCESS_MINUTES, nameOf(each)]);
  for (const each of back)
    steps.push([each.minutes ?? ACCESS_MINUTES, `put back: ${nameOf(each)}`]);
  if (energy === 'live' && at !== 'live') steps.push([ENERGISING_MINUTES, 'energise it']);
  const inState = energy === 'live' && state.energy === 'live' ? state.id : null;
  if (inState !== null && (from.state !== inState || at !== 'live'))
    steps.push([STATE_MINUTES + (state.begins ?? 0) / 60, `enter “${stateName(state)}”`]);
  const out = new Set(from.out);
  for (const { id } of owed) out.add(id);
  for (const { id } of back) out.delete(id);
  return {
    effort: {
      minutes: own + steps.reduce((sum, [minutes]) => sum + minutes, 0),
      risk,
      also: steps.map(([, why]) => why),
    },
    to: {
      energy: energy === 'not-proven' ? at : energy,
      state: energy === 'live' ? (inState ?? from.state) : null,
      out,
    },
  };
}

/** Of tests one after the other. */
export function effortOfAll(sheet: Sheet, from: Standing, tests: readonly Test[]): Effort {
  let standing = from;
  let [minutes, risk] = [0, 0];
  const also: string[] = [];
  for (const test of tests) {
    const { effort, to } = effortOf(sheet, standing, test);
    standing = to;
    minutes += effort.minutes;
    risk += effort.risk;
    also.push(...effort.also);
  }
  return { minutes, risk, also };
}

const nameOf = ({ name, id }: Access) => name ?? id;

/** What is out and must be in for this test, or for the state that it is taken in. */
function mustGoBack(sheet: Sheet, from: Standing, test: Test): Access[] {
  const state = stateOf(sheet, test);
  const wanted = { ...state.needs?.access, ...test.access };
  return leftOpen(sheet, { access: from.out, accessUnknown: new Set() }).filter(
    ({ id }) => wanted[id] === 'in',
  );
}

/** Every pair, and the longest wait. */
function provingMinutes(sheet: Sheet): number {
  const pairs = pairsOf(sheet);
  const wait = Math.max(0, ...pairs.map(({ waitMinutes }) => waitMinutes));
  return pairs.length * PAIR_MINUTES + wait;
}

function riskOf(sheet: Sheet, test: Test): number {
  if (test.hazard === undefined || test.hazard === 'none') return 0;
  const live = findState(sheet, test.state)?.energy === 'live' && isMeasured(test);
  return live ? LIVE_RISK : OTHER_RISK;
}
