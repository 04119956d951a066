/** The first sentence over a job, and what stands behind it. */
import { isFinding, type EvidenceItem, type Headline } from '@jeitinho/core/diagnose';
import { lowerFirst } from '../../parts/lower-first';
import { percent } from '../../parts/percent';

export function headlineWords(headline: Headline): string {
  switch (headline.kind) {
    case 'unexplained':
      return 'This sheet does not explain it yet';
    case 'nothing-yet':
      return 'Nothing measured yet';
    case 'nothing-bad':
      return 'Nothing found bad';
    case 'not-helped':
      return `The new part did not help: ${headline.part.name.toLowerCase()}`;
    case 'accused-fault': {
      const { fault, p } = headline.leads;
      const name = lowerFirst(fault.name);
      return p >= 0.9 ? `Nearly sure: ${name}` : `It points to this: ${name}`;
    }
    case 'elimination':
      return `${headline.leads.part.name} leads by elimination only`;
    case 'accused': {
      const { part, p } = headline.leads;
      if (p >= 0.9) return `Nearly sure: ${part.name.toLowerCase()}`;
      if (p >= 0.6) return `It points to the ${part.name.toLowerCase()}`;
      return `${part.name} leads, but not by enough`;
    }
  }
}

/** What a headline leaves open; empty where it says all. */
export function leadsWords(headline: Headline): string {
  if (headline.kind === 'accused-fault') return 'No part mends it: a repair does.';
  if (headline.kind === 'not-helped')
    return headline.leads
      ? `Now ${headline.leads.part.name.toLowerCase()} is likeliest, ${percent(headline.leads.p)}. Read feed and load before the same part is tried again.`
      : '';
  if (headline.kind === 'elimination')
    return 'No reading accuses it; others are accused, and less likely.';
  if (headline.kind !== 'nothing-bad' || !headline.leads) return '';
  const { part, p } = headline.leads;
  return `${part.name} leads by elimination only, ${percent(p)}.`;
}

export function countWords(evidence: readonly EvidenceItem[]): string {
  const findings = evidence.filter(isFinding).length;
  return `${findings} ${findings === 1 ? 'finding counts' : 'findings count'}.`;
}

/** What is asked of somebody who chooses a part that is not proposed. */
export const whyWords = (headline: Headline): string =>
  headline.kind === 'accused'
    ? `Why not ${headline.leads.part.name.toLowerCase()} first?`
    : 'No finding accuses it. Why this part?';
