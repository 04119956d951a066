/**
 * Every placement of every test in every state the machine can be in: as it stands, and as long after
 * isolation as anyone waits. Each must be solved; what cannot be is told.
 */
import { CoreError } from '../../errors';
import { functionOf } from '../../sheet/all-tests';
import { HEALTHY, type BenchedSheet, type Specimen } from './machine';
import { askedOf } from './outcomes';
import { probeMachine, type MachineFacts, type Placement } from './probe-machine';

/** Seconds after isolation: at once, while the bus falls, when the wait is over, and long after. */
const WAITS: readonly number[] = [0, 1, 60, 480];

export interface Placed {
  readonly placement: Placement;
  readonly facts: MachineFacts;
}

/** With all that the test wants out of the way, and with nothing opened. */
export function* everyPlacement(
  sheet: BenchedSheet,
  { waits = WAITS, live = true }: Pick<SweepOptions, 'waits' | 'live'> = {},
): Generator<Placed> {
  for (const { test, point, situation } of askedOf(sheet))
    for (const { id, energy } of sheet.states.filter((each) => live || each.energy === 'dead'))
      for (const isolatedFor of energy === 'live' ? [undefined] : waits)
        for (const access of situation.access.length > 0 ? [[], situation.access] : [[]])
          yield {
            facts: { access, isolatedFor },
            placement: {
              function: functionOf(test, point),
              red: point.red,
              black: point.black,
              state: id,
              phase: point.phase,
              observable: situation.observable,
            },
          };
}

/** The healthy one, and one of each way in which it breaks. */
export function* everySpecimen({ bench }: BenchedSheet): Generator<Specimen> {
  yield HEALTHY;
  for (const ways of Object.values(bench.faults ?? {}))
    for (const { changes } of ways) yield { ...HEALTHY, changes: changes.filter(Boolean) };
}

export interface Unsolved extends Placed {
  readonly specimen: Specimen;
  readonly why: string;
}

export interface SweepOptions {
  /** Seconds after isolation. */
  readonly waits?: readonly number[];
  /** The live states too. */
  readonly live?: boolean;
  /** For which each placement is followed. */
  readonly seconds?: number;
}

/**
 * @returns how many were probed, and those that have no solution.
 */
export function sweep(
  sheet: BenchedSheet,
  specimens: Iterable<Specimen>,
  { seconds = 3, ...which }: SweepOptions = {},
): { readonly count: number; readonly unsolved: readonly Unsolved[] } {
  const unsolved: Unsolved[] = [];
  let count = 0;
  for (const specimen of specimens)
    for (const each of everyPlacement(sheet, which)) {
      count += 1;
      const why = troubleOf(sheet, specimen, each, seconds);
      if (why !== undefined) unsolved.push({ ...each, specimen, why });
    }
  return { count, unsolved };
}

function troubleOf(
  sheet: BenchedSheet,
  specimen: Specimen,
  { facts, placement }: Placed,
  seconds: number,
): string | undefined {
  try {
    const { updates } = probeMachine(sheet, specimen, facts, placement, { seconds });
    const bad = updates.find(({ value }) => value !== null && !Number.isFinite(value));
    return bad && `shows ${String(bad.value)}`;
  } catch (error) {
    if (error instanceof CoreError) return error.message;
    throw error;
  }
}
