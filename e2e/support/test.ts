/** Playwright's test with a running Jeitinho, shared by the tests of a worker. */
import { test as base, expect, type Page } from '@playwright/test';
import { freePort, Jeitinho } from './jeitinho';
import { KeptPage } from './kept-page';
import { kept, provenDead } from './proven-dead';
import { fetch, ownCookie, signedIn } from './signed-in';
import { UNITS } from './units';

export { kept, provenDead, UNITS };

export const test = base.extend<
  { newJob: (unit?: keyof typeof UNITS, bench?: { seed: number }) => Promise<string> },
  { jeitinho: Jeitinho; history: boolean; keptPage: KeptPage; alone: boolean }
>({
  /** Whether the demo's years of finished visits are there as well. */
  history: [false, { option: true, scope: 'worker' }],
  jeitinho: [
    async ({ history }, use) => {
      // Every answer is held against its published shape.
      process.env.JEITINHO_CHECK_ANSWERS = 'yes';
      process.env.JEITINHO_HISTORY = history ? 'yes' : 'no';
      const jeitinho = new Jeitinho(await freePort());
      await jeitinho.start();
      await use(jeitinho);
      await jeitinho.stop();
      jeitinho.removeData();
    },
    { scope: 'worker', timeout: 300_000 },
  ],
  /** A browser context for each story, which has never had the app: for what is measured. */
  alone: [false, { option: true, scope: 'worker' }],
  keptPage: [
    async ({ browser }, use) => {
      const kept = new KeptPage(browser);
      await use(kept);
      await kept.close();
    },
    { scope: 'worker' },
  ],
  /** Signed in as the demo's owner, who may do everything. */
  page: async (
    {
      browser,
      keptPage,
      jeitinho,
      viewport,
      colorScheme,
      hasTouch,
      isMobile,
      locale,
      serviceWorkers,
      alone,
    },
    use,
  ) => {
    const baseURL = jeitinho.url;
    // What stories may ask of a page; another option has to be named here.
    const options = { viewport, colorScheme, hasTouch, isMobile, locale, serviceWorkers, baseURL };
    // A service worker keeps what it likes: its stories have a browser to themselves.
    const own = alone || serviceWorkers === 'allow' ? await browser.newContext(options) : undefined;
    const page = await (own?.newPage() ?? keptPage.fresh(options));
    await signedIn(page.context(), jeitinho.url);
    await use(page);
    await own?.close();
  },
  context: async ({ page }, use) => use(page.context()),
  request: async ({ playwright, jeitinho }, use) => {
    const cookie = await ownCookie(jeitinho.url);
    const request = await playwright.request.newContext({
      baseURL: jeitinho.url,
      extraHTTPHeaders: { cookie },
    });
    await use(request);
    await request.dispose();
  },
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
  await rollBeyond(page, before);
}

/** Presses a key and waits until something was written down. */
export async function press(page: Page, key: string): Promise<void> {
  const before = await opened(page);
  await page.keyboard.press(key);
  await rollBeyond(page, before);
}

/** Waits until the job's opening has come from the server, so that it is not taken for a new entry. */
export const opened = (page: Page): Promise<number> => rollBeyond(page, 0);

/** How many lines the roll has, as its tab says, once all of them are in the device's store. */
export const rollCount = (page: Page): Promise<number> => rollBeyond(page, -1);

/**
 * Waits for more lines in the roll than so many, all of them in the device's store: from then on a reload loses
 * nothing. Watched from within the page, frame by frame: asked from outside it is a good part of a whole walk.
 */
async function rollBeyond(page: Page, before: number): Promise<number> {
  const found = await page.waitForFunction(
    (least) => {
      if (document.querySelector('[role="status"][aria-busy="true"]')) return false;
      // Behind a dialog it is hidden from readers, and still counts.
      const tab = [...document.querySelectorAll('[role="tab"]')].find((each) =>
        each.textContent.startsWith('Roll'),
      );
      const lines = Number(/\d+/.exec(tab?.textContent ?? '')?.[0] ?? (tab ? 0 : -1));
      return lines > least && { lines };
    },
    before,
    { timeout: WRITTEN_MS },
  );
  const { lines } = (await found.jsonValue()) as { lines: number };
  return lines;
}

/** As patient as an expectation. */
const WRITTEN_MS = 90_000;

/** How a person works the page: keys, or a thumb. */
export interface Hand {
  readonly isolate: (page: Page) => Promise<void>;
  readonly figure: (page: Page, figure: string) => Promise<void>;
  readonly open: (page: Page) => Promise<void>;
}

const KEYBOARD: Hand = {
  isolate: (page) => confirm(page, 'Isolated and locked'),
  figure: reading,
  open: (page) => press(page, 'a'),
};

export interface Proving {
  /** What the stores show, volts. */
  readonly store?: string;
  /** What the legs show. */
  readonly leg?: string;
  /** Stop before the first store is measured. */
  readonly mainsOnly?: boolean;
  readonly hand?: Hand;
}

/** From LIVE to DEAD proven on the Make safe card; moves the device's clock past the waits. */
export async function proveDead(
  page: Page,
  { store = '2.8', leg = '0.3', mainsOnly = false, hand = KEYBOARD }: Proving = {},
): Promise<void> {
  await opened(page);
  const card = page.getByRole('main').getByRole('heading', { level: 2 });
  for (let i = 0; i < 80; i += 1) {
    const title = await card.innerText();
    if (title.startsWith('Dead, and proven')) return;
    const dc = await page.getByText('Meter on DC volts').isVisible();
    if (mainsOnly && dc) return;
    if (title.startsWith('Isolate')) await hand.isolate(page);
    else if (title.startsWith('Prove the meter')) await hand.figure(page, await fitting(page));
    else if (await page.getByRole('region', { name: 'Open first' }).isVisible())
      await hand.open(page);
    else if (await page.getByRole('timer', { name: 'Time still to wait' }).isVisible())
      await page.clock.fastForward('01:00');
    else await hand.figure(page, dc ? store : leg);
  }
  throw new Error('not dead after eighty steps');
}

/** A figure in the middle of what the source must show. */
async function fitting(page: Page): Promise<string> {
  const words = await page.getByText(/^It must show/).innerText();
  const [low, high] = words.match(/[\d.]+/g)!.map(Number);
  return String(Math.round((low! + high!) * 5) / 10);
}

/** Says how the machine is left: everything still open gets a reason, the energy its tick; what is owed a word. */
export async function sayLeft(page: Page, reason = 'Waits for the part.'): Promise<void> {
  const left = page.getByRole('region', { name: 'How the machine is left' });
  await expect(left).toBeVisible();
  for (const field of await left.getByRole('textbox').all()) await field.fill(reason);
  await left.getByRole('checkbox').check();
  const owed = page.getByRole('region', { name: 'Still owed' });
  if ((await owed.count()) > 0) await owed.getByRole('textbox').fill('Comes on the next visit.');
}

/** Carries out the sheet’s own proof: its steps ticked, what is watched seen as it should be. */
export async function proveBySheet(page: Page, title: string): Promise<void> {
  const proving = page.getByRole('region', { name: title });
  for (const box of await proving.getByRole('checkbox').all()) await box.check();
  for (const seen of await proving.getByRole('button', { name: 'Seen: as it should' }).all())
    await seen.click();
}

/** The shop’s own technician signs: the name by its press, then the signature by its own. */
export async function signAs(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^I am / }).click();
  await expect(page.getByRole('button', { name: 'Sign and close' })).toBeEnabled();
}

/** The rooftop unit proven dead, at its bridge of twelve readings, with the access gained. */
export async function bridgeDead(page: Page, job: string, point = 'U-P'): Promise<void> {
  await provenDead(page, job);
  await page.goto(`/jobs/${job}/measure?at=${encodeURIComponent(`igbt@${point}`)}`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  // The covers came off on the way to the pairs; the motor's leads are left.
  await press(page, 'a');
}

/** Presses Enter for a weighty button, which takes no press until it has been on screen a moment. */
export async function confirm(page: Page, name: string): Promise<void> {
  const button = page.getByRole('button', { name: new RegExp(`^${name}(?! again)`) });
  // Whatever is written down while it arms makes it wait anew.
  await opened(page);
  await expect(button.filter({ visible: true })).toBeEnabled();
  await press(page, 'Enter');
}
