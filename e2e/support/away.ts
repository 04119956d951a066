/** A page without its server, and something said there. */
import type { Page } from '@playwright/test';
import { opened, press } from './test';

/** Every request to the API fails, as without a network. */
export const cut = (page: Page) => page.context().route('**/api/**', (route) => route.abort());
export const mend = (page: Page) => page.context().unroute('**/api/**');

/** Something said on Arrive, kept on the device. */
export async function say(page: Page, job: string, words: string): Promise<void> {
  await page.goto(`/jobs/${job}/arrive`);
  await opened(page);
  await page.getByLabel('What changed lately').fill(words);
  await press(page, 'Enter');
}
