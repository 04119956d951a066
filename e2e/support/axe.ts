/** What axe finds on a page. There are no frames here, so axe is put in once and asked. */
import axe from 'axe-core';
import type { Page } from '@playwright/test';

type Axe = typeof axe;

/** All rules, `only` one, or all `but` one. */
export interface Rules {
  readonly only?: string;
  readonly but?: string;
}

/** One line per finding: where, which rule, at which elements. */
export async function found(page: Page, where: string, rules: Rules = {}): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const violations = await page.evaluate(async ({ only, but }) => {
    const options = {
      resultTypes: ['violations' as const],
      ...(only && { runOnly: [only] }),
      ...(but && { rules: { [but]: { enabled: false } } }),
    };
    const { violations } = await (window as unknown as { axe: Axe }).axe.run(document, options);
    return violations.map(({ id, nodes }) => ({ id, at: nodes.map((n) => n.target.join(' ')) }));
  }, rules);
  return violations.map(({ id, at }) => `${where}: ${id} at ${at.join(', ')}`);
}
