/** The thumb: taps, and figures on the keypad. */
import { expect, type Page } from '@playwright/test';
import { rollCount, type Hand } from './test';

export const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

export const tap = (page: Page, name: string | RegExp, exact = true) =>
  page.getByRole('button', { name, exact }).tap();

const NAMES: Readonly<Record<string, string>> = {
  k: 'kilo',
  M: 'mega',
  m: 'milli',
  µ: 'micro',
  '-': 'minus',
  '.': 'decimal point',
  O: 'overload',
};

/** Taps a figure, or OL, without keeping it. */
export async function tapFigure(page: Page, figure: string): Promise<void> {
  const pad = page.getByRole('group', { name: 'Keypad' });
  for (const key of figure === 'OL' ? ['O'] : figure)
    await pad.getByRole('button', { name: NAMES[key] ?? key, exact: true }).tap();
}

/** Taps a figure and keeps it. */
export async function keypad(page: Page, figure: string, keep = /^(Keep|Add)/): Promise<void> {
  await tapFigure(page, figure);
  await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: keep }).tap();
}

/** Making safe with the thumb. */
export const THUMB: Hand = {
  isolate: (page) => writing(page, () => tap(page, /^Isolated and locked/)),
  figure: (page, figure) => writing(page, () => keypad(page, figure)),
  open: (page) =>
    writing(page, () =>
      page.getByRole('region', { name: 'Open first' }).getByRole('button').first().tap(),
    ),
};

async function writing(page: Page, act: () => Promise<void>): Promise<void> {
  const before = await rollCount(page);
  await act();
  await expect.poll(() => rollCount(page)).toBeGreaterThan(before);
}
