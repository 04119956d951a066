/** What is written without a server: where it is said, when it goes, and what happens to what cannot go. */
import { expect, opened, test } from '../support/test';
import { WHOLE } from '../support/browser';
import { cut, mend, say } from '../support/away';
import { fetch, signedIn } from '../support/signed-in';

// Notices, and the service worker that sends by itself, need the whole browser.
test.use({ launchOptions: WHOLE });

const logOf = async (url: string, job: string) => {
  const response = await fetch(`${url}/api/v1/jobs/${job}/entries`);
  return JSON.stringify(((await response.json()) as { entries: unknown[] }).entries);
};

test('what was written offline and left is said on Today, and goes without its job being opened', async ({
  page,
  jeitinho,
  newJob,
}) => {
  const job = await newJob();
  await page.goto(`/jobs/${job}/arrive`);
  await opened(page);
  await cut(page);
  await say(page, job, 'It hums at night.');
  await page.goto('/');
  const unsent = page.getByRole('region', { name: 'Not sent yet' });
  await expect(unsent).toContainText('1 entry to send');
  await expect(unsent).toContainText('The server does not answer.');
  expect(await logOf(jeitinho.url, job)).not.toContain('hums at night');

  await mend(page);
  await expect.poll(() => logOf(jeitinho.url, job)).toContain('hums at night');
  await expect(unsent).toBeHidden();
  expect(new URL(page.url()).pathname).toBe('/');
});

test('a text with half a character is set aside with its reason, the rest is sent, and Today says so', async ({
  page,
  jeitinho,
  newJob,
}) => {
  const job = await newJob();
  await page.goto(`/jobs/${job}/arrive`);
  await opened(page);
  // As a device of an older version kept it: between two good ones.
  await page.evaluate(
    ([jobId, ids]) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('jeitinho');
        request.onerror = () => reject(request.error!);
        request.onsuccess = () => {
          const store = request.result.transaction('entries', 'readwrite').objectStore('entries');
          ['before', 'cut \ud83d', 'after'].forEach((text, i) =>
            store.put({
              id: ids[i],
              jobId,
              kind: 'observed',
              at: new Date().toISOString(),
              author: 'Davi Moura',
              body: { text },
              sendState: 'unsent',
            }),
          );
          store.transaction.oncomplete = () => resolve();
        };
      }),
    [job, Array.from({ length: 3 }, () => crypto.randomUUID())] as const,
  );
  await page.goto('/');
  // Their ids are thrown: either of the two may go first, by itself.
  for (const good of ['before', 'after'])
    await expect.poll(() => logOf(jeitinho.url, job)).toContain(good);
  expect(await logOf(jeitinho.url, job)).not.toContain('cut ');
  const unsent = page.getByRole('region', { name: 'Not sent yet' });
  await expect(unsent).toContainText('1 entry not accepted');
  await expect(unsent).toContainText(/half a character|not as it should be/);
  await unsent.getByRole('link').click();
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(page.getByRole('region', { name: 'Not accepted' })).toContainText('cut');
});

test('half a character is refused on the device before it is kept', async ({ page, newJob }) => {
  const job = await newJob();
  await page.goto(`/jobs/${job}/arrive`);
  await opened(page);
  const field = page.getByLabel('What changed lately');
  await field.fill('x');
  await field.evaluate((element: HTMLInputElement) => {
    const set = Object.getOwnPropertyDescriptor(
      Object.getPrototypeOf(element) as object,
      'value',
    )!.set!;
    set.call(element, 'cut \ud83d');
    element.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await page.keyboard.press('Enter');
  await expect(page.getByText(/half a character/)).toBeVisible();
});

test('what the page cannot send, the service worker sends when the browser says that the network is there', async ({
  browser,
  jeitinho,
  newJob,
}) => {
  const job = await newJob();
  const context = await browser.newContext({
    baseURL: jeitinho.url,
    serviceWorkers: 'allow',
  });
  await signedIn(context, jeitinho.url);
  const page = await context.newPage();
  await page.goto('/');
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.goto(`/jobs/${job}/arrive`);
  await opened(page);
  // The page itself gets nothing through any more: whatever arrives was sent by the worker.
  await page.route('**/api/**', (route) => route.abort());
  await say(page, job, 'Left in the van.');
  await expect.poll(() => logOf(jeitinho.url, job)).toContain('Left in the van.');
  await context.close();
});

test('a database that is away is said on the page, and what is written meanwhile goes when it is back', async ({
  page,
  jeitinho,
  newJob,
}) => {
  const job = await newJob();
  await page.goto(`/jobs/${job}/arrive`);
  await opened(page);
  await page.context().route('**/api/**', (route) =>
    route.fulfill({
      status: 503,
      headers: { 'retry-after': '3', 'content-type': 'application/problem+json' },
      body: JSON.stringify({
        type: 'about:blank',
        title: 'Not available',
        status: 503,
        code: 'no-database',
        detail: 'The database does not answer.',
      }),
    }),
  );
  await say(page, job, 'Written meanwhile.');
  await expect(page.getByRole('status').filter({ hasText: 'database away' })).toBeVisible();
  await page.goto('/');
  await expect(page.getByText('database is away')).toBeVisible();
  await mend(page);
  await expect.poll(() => logOf(jeitinho.url, job)).toContain('meanwhile');
});

test.describe('typed text', () => {
  test('survives a reload where the quick store is full, and the page says so', async ({
    page,
    newJob,
  }) => {
    const job = await newJob();
    await page.goto(`/jobs/${job}/arrive`);
    await opened(page);
    await page.evaluate(() => {
      let piece = 'x'.repeat(1_000_000);
      while (piece.length > 0) {
        try {
          localStorage.setItem(`fill${Math.random()}`, piece);
        } catch {
          piece = piece.slice(0, Math.floor(piece.length / 2));
        }
      }
    });
    const field = page.getByLabel('What changed lately');
    await field.fill('It drips since Tuesday.');
    await expect(
      page.getByRole('alert').filter({ hasText: 'memory of this browser is nearly full' }),
    ).toBeVisible();
    await page.reload();
    await opened(page);
    await expect(field).toHaveValue('It drips since Tuesday.');
  });

  test('in a sheet being edited survives a reload in the same instant', async ({ page }) => {
    await page.goto('/sheets/ondar-pb14/edit');
    const title = page.getByLabel('title', { exact: true });
    await expect(title).toBeVisible();
    // Typed and reloaded in one go: the large store has no time to answer.
    await title.evaluate((element: HTMLInputElement) => {
      const set = Object.getOwnPropertyDescriptor(
        Object.getPrototypeOf(element) as object,
        'value',
      )!.set!;
      for (const text of ['B', 'Bo', 'Boiler in a hurry']) {
        set.call(element, text);
        element.dispatchEvent(new Event('input', { bubbles: true }));
      }
      location.reload();
    });
    await expect(title).toHaveValue('Boiler in a hurry');
  });
});
