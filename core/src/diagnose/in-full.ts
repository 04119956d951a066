/**
 * Every finding against everyone suspected: what each weighs, how belief moved from one to the next, and on
 * which single finding the first of them hangs.
 */
import type { JobState } from '../job/state/state';
import { nth } from '../numeric/nth';
import type { Sheet } from '../sheet/schema';
import { knownOf } from './assess';
import { aloneAt, beliefFrom, infer, withoutEach, type Belief, type Shares } from './belief';
import { isWork } from './evidence';
import { ranked, whoKey, type Leader, type Who } from './leader';
import { oddsRatio } from './odds';
import type { EvidenceItem } from './suspects';
import { strengthOf, type Weight } from './weights';

export interface Telling extends Pick<Weight, 'factor' | 'direction' | 'strength'> {
  /** Others say the same: by itself it would weigh so much, and without it little would change. */
  readonly shared: boolean;
}

export interface FullRow {
  readonly item: EvidenceItem;
  /** By {@link whoKey}; empty for work, which is no finding. */
  readonly tells: Readonly<Record<string, Telling>>;
  /** How things stood once it was known, with all that came before it. */
  readonly after: Shares;
}

export interface InFull {
  /** Likeliest first, as things stand. */
  readonly suspects: readonly Leader[];
  /** Before any finding. */
  readonly arrival: Shares;
  readonly rows: readonly FullRow[];
  /** Findings without which somebody else would stand first. */
  readonly hangsOn: readonly { readonly item: EvidenceItem; readonly instead: Leader }[];
}

export function inFull(sheet: Sheet, state: JobState): InFull {
  const { evidence, inference } = knownOf(sheet, state);
  const { space, belief } = inference;
  const suspects = ranked(sheet, belief);
  const prior = beliefFrom(space, []);
  const without = withoutEach(inference);
  const rows = evidence.map((item, i): FullRow => {
    const rest = nth(without, i);
    return {
      item,
      tells: isWork(item.evidence)
        ? {}
        : tellsOf(suspects, { belief, rest, prior, alone: aloneAt(inference, i) }),
      after: after(i),
    };
  });
  return {
    suspects,
    arrival: prior,
    rows,
    hangsOn: evidence.flatMap((item, i) => {
      const instead = nth(ranked(sheet, nth(without, i)), 0);
      const hangs = !isWork(item.evidence) && whoKey(instead) !== whoKey(nth(suspects, 0));
      return hangs ? [{ item, instead }] : [];
    }),
  };

  /** As it was said at the time: whether something comes and goes is known only once it has come back. */
  function after(i: number): Shares {
    const last = evidence.findLastIndex(({ entry }) => entry === nth(evidence, i).entry);
    if (last === evidence.length - 1) return belief;
    return infer(
      space.model,
      evidence.slice(0, last + 1).map((item) => item.evidence),
    ).belief;
  }
}

interface Compared {
  readonly belief: Belief;
  /** Without it. */
  readonly rest: Belief;
  readonly prior: Belief;
  /** With nothing else. */
  readonly alone: Belief;
}

function tellsOf(all: readonly Who[], { belief, rest, prior, alone }: Compared) {
  const on = (of: Belief, who: Who) =>
    who.kind === 'fault' ? (of.faults[who.fault.id] ?? 0) : of[who.kind];
  return Object.fromEntries(
    all.map((who) => [
      whoKey(who),
      telling(oddsRatio(on(belief, who), on(rest, who)), oddsRatio(on(alone, who), on(prior, who))),
    ]),
  );
}

/** What a finding says beside the others; findings that say the same must not hide each other. */
function telling(beside: number, alone: number): Telling {
  const [inAll, byItself] = [Math.log(beside), Math.log(alone)];
  const shared =
    strengthOf(beside) !== strengthOf(alone) &&
    Math.abs(byItself) > Math.abs(inAll) &&
    (inAll * byItself > 0 || strengthOf(beside) === 'nothing');
  const factor = shared ? alone : beside;
  return {
    factor,
    direction: factor >= 1 ? 'for' : 'against',
    strength: strengthOf(factor),
    shared,
  };
}
