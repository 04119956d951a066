/**
 * One page of a worker for story after story. A fresh browser context loads and compiles the app anew, which
 * is most of a short story; here only what a story leaves behind is taken away: what the device stored, who is
 * signed in, other windows, requests turned aside. What cannot be taken back (a clock put in, scripts that
 * run first, permissions) ends the page, and the next story begins with a new one.
 */
import type { Browser, BrowserContextOptions, CDPSession, Page } from '@playwright/test';

/** On the app's own site, so that its process stays; nothing of the app runs there. */
const ASIDE = '/api/v1/health';
const STORED = 'indexeddb,local_storage,cache_storage,file_systems,storage_buckets';

interface Kept {
  readonly page: Page;
  readonly devtools: CDPSession;
  /** The options it was made with. */
  readonly as: string;
  spoilt: boolean;
}

export class KeptPage {
  readonly #browser: Browser;
  #kept: Kept | undefined;

  constructor(browser: Browser) {
    this.#browser = browser;
  }

  /** A page as new, in a context that has no other. */
  async fresh(options: BrowserContextOptions): Promise<Page> {
    const as = JSON.stringify(options);
    if (this.#kept && (this.#kept.spoilt || this.#kept.as !== as)) await this.close();
    if (this.#kept) await cleared(this.#kept, options);
    this.#kept ??= await made(this.#browser, options, as);
    return this.#kept.page;
  }

  async close(): Promise<void> {
    await this.#kept?.page.context().close();
    this.#kept = undefined;
  }
}

async function made(browser: Browser, options: BrowserContextOptions, as: string): Promise<Kept> {
  const context = await browser.newContext(options);
  const page = await context.newPage();
  const kept: Kept = { page, devtools: await context.newCDPSession(page), as, spoilt: false };
  const spoils = <T extends object>(on: T, ...names: (keyof T)[]) => {
    for (const name of names) {
      const does = on[name] as (...all: unknown[]) => unknown;
      on[name] = ((...all: unknown[]) => {
        kept.spoilt = true;
        return does.apply(on, all);
      }) as T[keyof T];
    }
  };
  spoils(context.clock, 'install', 'pauseAt', 'setFixedTime', 'setSystemTime');
  spoils(page, 'addInitScript', 'close', 'exposeBinding', 'exposeFunction', 'routeWebSocket');
  spoils(context, 'addInitScript', 'close', 'grantPermissions', 'newCDPSession');
  return kept;
}

async function cleared({ page, devtools }: Kept, options: BrowserContextOptions): Promise<void> {
  const context = page.context();
  for (const other of context.pages()) if (other !== page) await other.close();
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await context.unrouteAll({ behavior: 'ignoreErrors' });
  await context.setOffline(false);
  await page.goto(ASIDE);
  await page.evaluate(() => sessionStorage.clear());
  const { origin } = new URL(page.url());
  await devtools.send('Storage.clearDataForOrigin', { origin, storageTypes: STORED });
  await context.clearCookies();
  if (options.viewport) await page.setViewportSize(options.viewport);
  await page.emulateMedia({ colorScheme: options.colorScheme ?? null });
}
