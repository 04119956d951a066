import { formatQuantity } from '@jeitinho/core';
import type { EvidenceItem } from '@jeitinho/core/diagnose';
import { outcomesFound } from '@jeitinho/core/job';
import { outcomeWords, ruleTitle } from '@jeitinho/core/judge';

/** A piece of evidence in a few words: `code 21`, `Inverter fuse F1, open`. */
export function evidenceWords({ from }: EvidenceItem): string {
  if (from.kind === 'code') return `code ${from.code}`;
  if (from.kind === 'symptom') return `the symptom “${from.symptom.replaceAll('-', ' ')}”`;
  if (from.kind === 'looked') return from.seen ? 'complaint seen' : 'complaint not seen';
  if (from.kind === 'carried') return `earlier visit: ${from.words}`;
  if (from.kind === 'work') return 'the work';
  if (from.kind === 'ran') return 'the machine ran';
  if (from.kind === 'group') {
    const { test, title, rule, judgement } = from.group;
    const what = test ? `${title}: ${ruleTitle(rule).toLowerCase()}` : title;
    return `${what}, ${judgement.outcome === 'ok' ? 'good' : outcomeWords(judgement.outcome)}`;
  }
  if (from.kind === 'store') {
    const { pair, outcome, volts, foretold } = from.store;
    return outcome === 'ok'
      ? `${pair.name} fell as foretold`
      : `${pair.name} at ${formatQuantity(volts, 'V', 3)}, ${formatQuantity(foretold, 'V', 3)} foretold`;
  }
  const { taken } = from;
  const point = taken.kind !== 'answer' && taken.test.points.length > 1 ? ` ${taken.point.id}` : '';
  const outcomes = taken.kind === 'answer' ? outcomesFound(taken) : [taken.judgement.outcome];
  const said = outcomes.map((outcome) => (outcome === 'ok' ? 'good' : outcomeWords(outcome)));
  return `${taken.test.title}${point}, ${said.join(' and ')}`;
}
