/** The first sentence over a job, and what stands behind it. */
import type { Headline } from '@jeitinho/core/diagnose';
import { percent } from '../../parts/percent';

export function headlineWords(headline: Headline): string {
  switch (headline.kind) {
    case 'unexplained':
      return 'This sheet does not explain it yet';
    case 'nothing-yet':
      return 'Nothing measured yet';
    case 'nothing-bad':
      return 'Nothing found bad';
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
  if (headline.kind === 'elimination')
    return 'No reading accuses it; others are accused, and less likely.';
  if (headline.kind !== 'nothing-bad' || !headline.leads) return '';
  const { part, p } = headline.leads;
  return `${part.name} leads by elimination only, ${percent(p)}.`;
}

export const countWords = (findings: number): string =>
  `${findings} ${findings === 1 ? 'finding counts' : 'findings count'}.`;

/** What is asked of somebody who chooses a part that is not proposed. */
export const whyWords = (headline: Headline): string =>
  headline.kind === 'accused'
    ? `Why not ${headline.leads.part.name.toLowerCase()} first?`
    : 'No finding accuses it. Why this part?';
