/** Playwright's test with a running Jeitinho, shared by the tests of a worker. */
import { test as base, expect, type Page } from '@playwright/test';
import { freePort, Jeitinho } from './jeitinho';

/** Units of the demo world. */
export const UNITS = {
  fridge: '01930000-0000-7000-8000-000000000021',
  rooftop: '01930000-0000-7000-8000-000000000121',
  boiler: '01930000-0000-7000-8000-000000000124',
  dryer: '01930000-0000-7000-8000-000000000127',
  plasma: '01930000-0000-7000-8000-000000000132',
} as const;

export const test = base.extend<
  { newJob: (unit?: keyof typeof UNITS, bench?: { seed: number }) => Promise<string> },
  { jeitinho: Jeitinho }
>({
  jeitinho: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const jeitinho = new Jeitinho(await freePort());
      await jeitinho.start();
      await use(jeitinho);
      await jeitinho.stop();
      jeitinho.removeData();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ jeitinho }, use) => use(jeitinho.url),
  /** Opens a fresh job, on the café's fridge where nothing else is said; gives its id. */
  newJob: async ({ jeitinho }, use) => {
    await use(async (unit = 'fridge', bench) => {
      const response = await fetch(`${jeitinho.url}/api/v1/jobs`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          unitId: UNITS[unit],
          complaint: 'Warm inside, no hum.',
          ...(bench && { bench }),
        }),
      });
      return ((await response.json()) as { id: string }).id;
    });
  },
});

export { expect, type Page };

/** Types a figure into the field in hand and keeps it with Enter; waits until it is written down. */
export async function reading(page: Page, typed: string): Promise<void> {
  const before = await opened(page);
  await page.keyboard.type(typed);
  await page.keyboard.press('Enter');
  await expect.poll(() => rollCount(page)).toBeGreaterThan(before);
}

/** Presses a key and waits until something was written down. */
export async function press(page: Page, key: string): Promise<void> {
  const before = await opened(page);
  await page.keyboard.press(key);
  await expect.poll(() => rollCount(page)).toBeGreaterThan(before);
}

/** Waits until the job's opening has come from the server, so that it is not taken for a new entry. */
export async function opened(page: Page): Promise<number> {
  await expect.poll(() => rollCount(page)).toBeGreaterThan(0);
  return rollCount(page);
}

/** How many lines the roll has, as its tab says. */
export async function rollCount(page: Page): Promise<number> {
  // Behind a dialog it is hidden from readers, and still counts.
  const text = await page.getByRole('tab', { name: /^Roll/, includeHidden: true }).innerText();
  return Number(/\d+/.exec(text)?.[0] ?? 0);
}

/** From LIVE to DEAD proven, by keyboard, on the Make safe card; moves the device's clock. */
export async function proveDead(
  page: Page,
  { bus = '2.8', wait = '05:01' }: { bus?: string; wait?: string } = {},
): Promise<void> {
  await expect(page.getByRole('heading', { name: 'Make it safe to touch' })).toBeVisible();
  await confirm(page, 'Isolated and locked');
  await confirm(page, 'Meter proven');
  await page.clock.fastForward(wait);
  await expect(page.getByText('The wait is over. Measure now.')).toBeVisible();
  await reading(page, bus);
  await confirm(page, 'Meter proven again');
  await expect(page.getByRole('heading', { name: 'Dead, and proven' })).toBeVisible();
}

/** The rooftop unit proven dead, at its bridge of twelve readings, with the access gained. */
export async function bridgeDead(page: Page, job: string, point = 'U-P'): Promise<void> {
  await page.goto(`/jobs/${job}/safe`);
  await proveDead(page, { wait: '08:01' });
  await page.goto(`/jobs/${job}/measure?at=${encodeURIComponent(`igbt@${point}`)}`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  for (let i = 0; i < 3; i += 1) await press(page, 'a');
}

/** Presses Enter for a weighty button, which takes no press until it has been on screen a moment. */
export async function confirm(page: Page, name: string): Promise<void> {
  const button = page.getByRole('button', { name: new RegExp(`^${name}(?! again)`) });
  await expect(button.filter({ visible: true })).toBeEnabled();
  await press(page, 'Enter');
}
