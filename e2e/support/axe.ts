/** What axe finds on a page. There are no frames here, so axe is put in once and asked. */
import axe, { type RunOptions } from 'axe-core';
import type { Page } from '@playwright/test';
import { faint } from './faint';

type Axe = typeof axe;

/** One line per finding: where, which rule, at which elements; words too faint are told by `faint`. */
export async function found(page: Page, where: string): Promise<string[]> {
  const violations = await ask(page, { rules: { 'color-contrast': { enabled: false } } });
  return [...lines(where, violations), ...(await faint(page, where))];
}

/** What axe's own rule says of words too faint. */
export const faintByAxe = async (page: Page, where: string): Promise<string[]> =>
  lines(where, await ask(page, { runOnly: ['color-contrast'] }));

interface Violation {
  readonly id: string;
  readonly at: readonly string[];
}

const lines = (where: string, violations: readonly Violation[]) =>
  violations.map(({ id, at }) => `${where}: ${id} at ${at.join(', ')}`);

async function ask(page: Page, which: RunOptions): Promise<Violation[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(
    async (options) => {
      const { violations } = await (window as unknown as { axe: Axe }).axe.run(document, options);
      return violations.map(({ id, nodes }) => ({ id, at: nodes.map((n) => n.target.join(' ')) }));
    },
    // Only what fails is described, and no style sheet is fetched anew for rules that are not ours.
    { ...which, resultTypes: ['violations' as const], preload: false },
  );
}
