/**
 * What follows where the machine is not in what a test wants. Dangerous differences are refused elsewhere;
 * these make a figure void, or believable on one side only.
 */
import type { Judgement } from '../judge/judge';
import { isolationReason, parallelCouldExplain } from '../judge/isolation';
import { findState, stateName } from '../sheet/lookup';
import type { Sheet } from '../sheet/schema';
import type { Situation } from './situation';
import type { AccessWanted, Wants } from './wants';

/** A position that two devices say differently is none. */
export interface Positions {
  readonly out: ReadonlySet<string>;
  readonly unknown: ReadonlySet<string>;
}

/**
 * Why a live state that a test wants is not current.
 * @returns undefined where it is, where none is wanted, and in a log from before states were entered.
 */
export function stateReason(
  sheet: Sheet,
  { state: wanted, energy }: Pick<Wants, 'state' | 'energy'>,
  now: Situation['state'],
): string | undefined {
  if (now === undefined || energy === 'dead' || wanted.energy !== 'live') return undefined;
  if (now === wanted.id) return undefined;
  const is = now === null ? undefined : findState(sheet, now);
  const name = stateName(wanted);
  return is
    ? `the machine was in “${stateName(is)}”, and “${name}” was not entered: enter it, then take it again`
    : `“${name}” was not entered: enter it, then take it again`;
}

const nameOf = ({ access }: AccessWanted): string => access.name ?? access.id;

/**
 * Positions that make a figure meaningless: a plug that is in and should be out, anything that should be in
 * and is out. A lid nobody ticked off says nothing: whoever touched the pin had it off.
 */
export function accessReason(
  { access, isolates }: Pick<Wants, 'access' | 'isolates'>,
  { out }: Pick<Positions, 'out'>,
): string | undefined {
  const plugged = access.filter(
    (each) =>
      each.position === 'out' &&
      each.access.energy === 'dead' &&
      !isolates.includes(each.access.id) &&
      !out.has(each.access.id),
  );
  if (plugged.length > 0)
    return `still in: ${plugged.map(nameOf).join(', ')}. Pull it, tick it, then take it again`;
  const pulled = access.filter((each) => each.position === 'in' && out.has(each.access.id));
  if (pulled.length > 0)
    return `still out: ${pulled.map(nameOf).join(', ')}. Put it back, tick it, then take it again`;
  return undefined;
}

/** What must be looked at first: two devices say different things of it. */
export function unknownReason(
  { access }: Pick<Wants, 'access'>,
  { unknown }: Pick<Positions, 'unknown'>,
): string | undefined {
  const doubted = access.filter((each) => unknown.has(each.access.id));
  return doubted.length > 0
    ? `two devices say different things of ${doubted.map(nameOf).join(', ')}: look, and tick what is so`
    : undefined;
}

/**
 * A figure taken with something in that lies beside it: believed on the side that the path cannot fake.
 * @returns why it cannot tell on this side; undefined where it can.
 */
export function oneSidedReason(
  { access, isolates, parallel }: Pick<Wants, 'access' | 'isolates' | 'parallel'>,
  { out }: Pick<Positions, 'out'>,
  judgement: Judgement,
): string | undefined {
  const beside = access.filter(
    (each) => isolates.includes(each.access.id) && !out.has(each.access.id),
  );
  return beside.length > 0 && parallelCouldExplain(judgement, parallel)
    ? isolationReason(beside.map(nameOf), parallel)
    : undefined;
}
