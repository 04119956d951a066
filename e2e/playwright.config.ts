import { defineConfig } from '@playwright/test';
import { LEAN } from './support/browser';

/** Starting, stopping, killing, a meter that comes to rest: mostly waiting, so one after the other beside the rest. */
const WAITING = /(start-.*|torture|simulated-meter)\.spec\.ts/;

/** One shop with its years for all of them, one after the other: begun last they would end alone. */
const YEARS = /memory\.spec\.ts/;

export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  globalSetup: './support/bundle.ts',
  build: { external: ['**/e2e/dist/**'] },
  // Each worker runs a server and a database of its own. Two of pages fill two cores: a page is drawn without
  // a graphics card, and a third only makes the other two slower. What mostly waits goes beside them.
  workers: 3,
  fullyParallel: true,
  // Generous: a machine that stalls for minutes must not look like a broken app. Nothing here measures speed.
  timeout: 420_000,
  expect: { timeout: 90_000 },
  // A second try in a fresh server and browser, a third at the very end; whoever needs it is named.
  retries: 1,
  forbidOnly: true,
  projects: [
    { name: 'years', testMatch: YEARS, workers: 1 },
    { name: 'machine', testMatch: WAITING, workers: 1 },
    { name: 'page', testIgnore: [WAITING, YEARS], workers: 2 },
  ],
  use: {
    // What never comes is told after two minutes, not after seven.
    actionTimeout: 120_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: LEAN,
    screenshot: 'only-on-failure',
    locale: 'en-GB',
    // Put in by each fresh browser anew, a tenth of the whole time: where it matters, a test lets it in.
    serviceWorkers: 'block',
  },
});
