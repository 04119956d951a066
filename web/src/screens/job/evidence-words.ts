import { outcomeWords, type EvidenceItem } from '@jeitinho/core';

/** A piece of evidence in a few words: `code 21`, `Inverter fuse F1, open`. */
export function evidenceWords({ from }: EvidenceItem): string {
  if (from.kind === 'code') return `code ${from.code}`;
  const { taken } = from;
  const point =
    taken.kind === 'reading' && taken.test.points.length > 1 ? ` ${taken.point.id}` : '';
  const outcome = taken.kind === 'reading' ? taken.judgement.outcome : taken.outcome;
  return `${taken.test.title}${point}, ${outcome === 'ok' ? 'good' : outcomeWords(outcome)}`;
}
