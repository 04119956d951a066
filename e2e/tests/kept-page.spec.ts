/** The page that a worker keeps: what one story leaves on it, the next does not find. */
import { expect, test } from '../support/test';
import { KeptPage } from '../support/kept-page';

test('what a device stores, who is signed in, other windows and turned requests are gone; a clock ends the page', async ({
  browser,
  jeitinho,
}) => {
  const kept = new KeptPage(browser);
  const options = { baseURL: jeitinho.url, serviceWorkers: 'block' as const };
  const page = await kept.fresh(options);
  const stored = async () => {
    await page.goto('/api/v1/health');
    return page.evaluate(async () => [
      localStorage.length,
      sessionStorage.length,
      (await indexedDB.databases()).length,
      (await caches.keys()).length,
    ]);
  };
  await page.goto('/');
  await page.evaluate(async () => {
    localStorage.setItem('left', 'behind');
    sessionStorage.setItem('left', 'behind');
    await caches.open('left');
    await new Promise((done) => (indexedDB.open('left').onsuccess = done));
  });
  const context = page.context();
  await context.addCookies([{ name: 'left', value: 'behind', url: jeitinho.url }]);
  await context.newPage();
  expect((await stored()).every((count) => count > 0)).toBe(true);
  await page.goto('/');
  await context.route('**/api/**', (route) => route.abort());
  await page.emulateMedia({ colorScheme: 'dark' });

  expect(await kept.fresh(options)).toBe(page);
  expect(context.pages()).toEqual([page]);
  expect(await context.cookies()).toEqual([]);
  expect(await stored()).toEqual([0, 0, 0, 0]);
  expect(await page.evaluate(() => matchMedia('(prefers-color-scheme: dark)').matches)).toBe(false);

  await page.clock.install();
  expect(await kept.fresh(options)).not.toBe(page);
  expect(page.isClosed()).toBe(true);
  const other = await kept.fresh({ ...options, locale: 'pt-BR' });
  await other.goto('/api/v1/health');
  expect(await other.evaluate(() => navigator.language)).toBe('pt-BR');
  await kept.close();
});
