/** How long the machine remembers, and what makes it forget: copy first. */
import { sentence } from '@jeitinho/core';
import type { Sheet } from '@jeitinho/core/sheet';

const WIPES = {
  power: 'switching off',
  key: 'its reset key',
  reset: 'a reset',
  service: 'the service menu',
} as const;

/** @returns undefined where the sheet says nothing of it. */
export function keepsWords({ codes: { history } }: Pick<Sheet, 'codes'>): string | undefined {
  if (!history?.keeps && !history?.wipedBy?.length) return undefined;
  const said = [
    history.keeps &&
      `It keeps only ${history.keeps} entries, and every new one pushes out the oldest`,
    history.wipedBy?.length &&
      `it is wiped by ${history.wipedBy.map((by) => WIPES[by]).join(' or ')}`,
  ].filter(Boolean);
  return `${sentence(said.join('; '))}. Copy it before anything else.`;
}
