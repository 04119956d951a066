/** Where a visit stands, in words: `Measure next · code 47 · 3 of 49 taken`. */
import type { JobListItem } from '@jeitinho/core';
import { lowerFirst } from '../../parts/lower-first';

export function stageWords({ summary, sheetId }: JobListItem): string {
  if (!sheetId || !summary) return 'No service sheet for this model yet';
  const parts = [`${summary.stageName} next`];
  if (summary.codes.length > 0) parts.push(`code ${summary.codes.join(', ')}`);
  if (summary.taken > 0) parts.push(`${summary.taken} of ${summary.of} taken`);
  if (summary.ending) parts.push(`decided: ${lowerFirst(summary.ending)}`);
  return parts.join(' · ');
}
