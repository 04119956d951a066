/** The trade's words for verdicts and limits. */
import { formatQuantity, splitQuantity } from '../units/format';
import { UNIT_FACTS, type Unit } from '../units/units';
import { limitsOf, type Expectation } from './expectation';
import type { Judgement, Outcome } from './judge';

/** `0.33 to 0.62 V`, `at most 1 Ω`, `open, above 10 MΩ`, `at least 24 A at its highest`. */
export const limitWords = (expect: Expectation): string =>
  `${standingWords(expect)}${expect.peak ? ' at its highest' : ''}`;

function standingWords(expect: Expectation): string {
  const { low, high } = limitsOf(expect);
  const show = (value: number) => formatQuantity(value, expect.unit);
  if (expect.kind === 'open') return `OL or above ${show(expect.above)}`;
  if (expect.kind === 'sounds') return 'a tone';
  if (expect.kind === 'silent') return 'silence';
  if (low === -Infinity) return `at most ${show(high)}`;
  if (high === Infinity) return `at least ${show(low)}`;
  if (low === high) return `exactly ${show(low)}`;
  const from = splitQuantity(low, expect.unit);
  const sameUnit = from.unit === splitQuantity(high, expect.unit).unit;
  return `${sameUnit ? from.digits : show(low)} to ${show(high)}`;
}

/** Limits of which either may be missing: `at most 1 Ω`; empty where both are. */
export function bandWords(low: number | undefined, high: number | undefined, unit: Unit): string {
  if (low !== undefined && high !== undefined)
    return limitWords({ kind: 'between', low, high, unit });
  if (low !== undefined) return limitWords({ kind: 'atLeast', low, unit });
  return high === undefined ? '' : limitWords({ kind: 'atMost', high, unit });
}

/** The same of a difference: `4 to 12 K` between two temperatures. */
export const bandApartWords = (
  low: number | undefined,
  high: number | undefined,
  unit: Unit,
): string => bandWords(low, high, unit).replace(UNIT_FACTS.degC.symbol, 'K');

const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  ok: 'in',
  low: 'low',
  high: 'high',
  none: 'nothing there',
  short: 'shorted',
  open: 'open',
  unequal: 'not equal',
  apart: 'apart',
  sum: 'sum does not hold',
  unsteady: 'unsteady',
  slow: 'too slow',
  still: 'did not move',
  'wrong-way': 'wrong way',
  late: 'late',
  never: 'never came',
  sags: 'sags under load',
  stiff: 'no load seen',
  flex: 'changes when flexed',
};

export function outcomeWords(outcome: Outcome): string {
  return OUTCOME_WORDS[outcome] ?? outcome.replaceAll('-', ' ');
}

/** Verdict in words: `In`, `In, at the edge`, `Watch: low`, `Out: shorted`, `Cannot tell`. */
export function verdictWords(judgement: Pick<Judgement, 'verdict' | 'outcome' | 'edge'>): string {
  switch (judgement.verdict) {
    case 'in':
      return judgement.edge ? 'In, at the edge' : 'In';
    case 'watch':
      return `Watch: ${outcomeWords(judgement.outcome)}, still works`;
    case 'out':
      return `Out: ${outcomeWords(judgement.outcome)}`;
    case 'cannot-tell':
      return 'Cannot tell';
    case 'not-settled':
      return 'Not settled';
    default:
      judgement.verdict satisfies never;
      return judgement.verdict;
  }
}
