/**
 * A figure that wanders while one looks at it. In only where all of it is; wholly outside on one side it is
 * low or high; across a limit it is unsteady, whatever its middle says.
 */

export const UNSTEADY = 'unsteady';

/** What of a judgement is asked here. */
interface Judged {
  readonly verdict: string;
  readonly outcome: string;
  readonly p: Readonly<Record<string, number>>;
  readonly corrected?: number;
}

/** @param ends - Its two ends, each judged as a figure by itself; the first is the one that is shown. */
export function judgeSpan<J extends Judged>([one, other]: readonly [J, J]): J {
  const shown = one.corrected === undefined ? {} : { corrected: one.corrected };
  const [worse, better] = ok(one) <= ok(other) ? [one, other] : [other, one];
  if (one.verdict === 'in' && other.verdict === 'in') return { ...worse, ...shown };
  // The end that is nearer to good speaks for both where they say the same.
  if (one.verdict !== 'in' && other.verdict !== 'in' && side(one) === side(other))
    return { ...better, ...shown };
  if (worse.verdict === 'cannot-tell') return { ...worse, ...shown };
  return {
    ...worse,
    ...shown,
    verdict: 'out',
    outcome: UNSTEADY,
    p: { [UNSTEADY]: 1 },
    edge: false,
    contactOwed: false,
    sentence:
      'It wanders across a limit: a joint, a load that comes and goes, a supply that pumps.',
  };
}

const ok = ({ p }: Judged): number => p.ok ?? 0;

const side = ({ outcome }: Judged): 'high' | 'low' =>
  outcome === 'high' || outcome === 'open' ? 'high' : 'low';
