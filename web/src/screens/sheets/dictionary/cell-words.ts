/** Cells of the dictionary in words. */
import type { DictionaryCell, Shares } from '@jeitinho/core/bench';
import { outcomeWords, ruleTitle } from '@jeitinho/core/judge';
import { findPoint, findTest, isMeasured, type Sheet } from '@jeitinho/core/sheet';

export const cellKey = ({ fault, observable }: DictionaryCell): string => `${fault} ${observable}`;

/** `Compressor windings, U to V`: what stands behind an observable, by the names of the sheet. */
export function observableWords(sheet: Sheet, observable: string): string {
  const [id = observable, at] = observable.split('@');
  const test = findTest(sheet, id);
  if (!test) return observable;
  const point = findPoint(test, at);
  const rule = isMeasured(test) && test.together?.find((each) => each.id === at);
  const more = point ? (point.name ?? point.id) : rule ? ruleTitle(rule).toLowerCase() : at;
  return more === undefined ? test.title : `${test.title}, ${more}`;
}

/** Below it bench and author are taken to agree: chance alone moves shares by as much. */
export const WORTH_TELLING = 0.25;

const named = (outcome: string) => (outcome === 'ok' ? 'good' : outcomeWords(outcome));

/** `open 75 %, good 25 %`, the largest first. */
export const sharesWords = (shares: Shares): string =>
  Object.entries(shares)
    .filter(([, share]) => share > 0)
    .sort((a, b) => b[1] - a[1])
    .map(([outcome, share]) => `${named(outcome)} ${Math.round(share * 100)} %`)
    .join(', ');

/** The likeliest outcome that is not good; undefined where all are good. */
export function worst(shares: Shares): { words: string; share: number } | undefined {
  const bad = Object.entries(shares).filter(([outcome, share]) => outcome !== 'ok' && share > 0);
  if (bad.length === 0) return undefined;
  const [outcome] = bad.reduce((a, b) => (b[1] > a[1] ? b : a));
  return { words: named(outcome), share: bad.reduce((sum, [, share]) => sum + share, 0) };
}
