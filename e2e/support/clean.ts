/** Whether a screen is clean: axe, targets for gloves, nothing wider than the screen; wide, on the phone and at 200 %. */
import { expect, type Page } from '@playwright/test';
import { faintByAxe, found } from './axe';
import { faint } from './faint';
import { sideways } from './sideways';
import { tooSmall } from './targets';

export const WIDE = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };
/** The wide screen at 200 %. */
const ZOOMED = { width: 640, height: 400 };

/**
 * Everything by day on the wide screen, and words too faint by night as well; on the phone, where the colours
 * are the same, once more. `coloured` screens have most of them: there axe's own rule is asked too.
 */
export const cleaner =
  (page: Page) =>
  async (where: string, { coloured = false } = {}) => {
    expect(await found(page, where)).toEqual([]);
    if (coloured) expect(await faintByAxe(page, where)).toEqual([]);
    await leavable(page);
    await page.emulateMedia({ colorScheme: 'dark' });
    await page.locator('html[data-theme="night"]').waitFor();
    expect(await faint(page, `${where}, by night`)).toEqual([]);
    if (coloured) expect(await faintByAxe(page, `${where}, by night`)).toEqual([]);
    await page.emulateMedia({ colorScheme: 'light' });
    await page.locator('html[data-theme="day"]').waitFor();
    await page.setViewportSize(PHONE);
    await page.waitForFunction(() => matchMedia('(max-width: 1023px)').matches);
    expect(await found(page, `${where}, on a phone`)).toEqual([]);
    expect.soft(await tooSmall(page, where)).toEqual([]);
    expect.soft(await sideways(page, `${where}, on a phone`)).toEqual([]);
    await page.setViewportSize(ZOOMED);
    expect.soft(await sideways(page, `${where}, at 200 %`)).toEqual([]);
    await page.setViewportSize(WIDE);
    await page.waitForFunction(() => !matchMedia('(max-width: 1023px)').matches);
  };

/** A dialog that is open has a way out that one sees. */
async function leavable(page: Page): Promise<void> {
  const dialog = page.getByRole('dialog');
  if ((await dialog.count()) === 0) return;
  const wayOut = dialog.getByRole('button', {
    name: /close|cancel|leave|back|not now|go on|keep|done/i,
  });
  await expect(wayOut.first()).toBeVisible();
}
