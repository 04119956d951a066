/** Whether a screen is clean: axe, targets for gloves, nothing wider than the screen; wide, on the phone and at 200 %. */
import { expect, type Page } from '@playwright/test';
import { found } from './axe';
import { sideways } from './sideways';
import { tooSmall } from './targets';

export const WIDE = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };
/** The wide screen at 200 %. */
const ZOOMED = { width: 640, height: 400 };

/**
 * Everything by day on the wide screen; on the phone, where the colours are the same, all but the colours;
 * by night, where nothing but the colours differs, these alone, on screens that have most of them: for the
 * rest the theme's own test reckons the night.
 */
export const cleaner =
  (page: Page) =>
  async (where: string, { night = false } = {}) => {
    expect(await found(page, where)).toEqual([]);
    await leavable(page);
    if (night) {
      await page.emulateMedia({ colorScheme: 'dark' });
      await page.locator('html[data-theme="night"]').waitFor();
      expect(await found(page, `${where}, by night`, { only: 'color-contrast' })).toEqual([]);
      await page.emulateMedia({ colorScheme: 'light' });
    }
    await page.setViewportSize(PHONE);
    await page.waitForFunction(() => matchMedia('(max-width: 1023px)').matches);
    expect(await found(page, `${where}, on a phone`, { but: 'color-contrast' })).toEqual([]);
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
