import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

/** Debian’s Chromium: without its windows where that is installed, a fifth of the work less. */
const SHELL = '/usr/bin/chromium-headless-shell';
const browser = existsSync(SHELL) ? SHELL : '/usr/bin/chromium';

/** Debian's Chromium, kept from calling home. */
const args = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-quic',
  '--disable-sync',
  '--no-first-run',
];

/** Starting, stopping, killing: mostly waiting, so one after the other beside the rest. */
const WAITING = /(start-.*|torture)\.spec\.ts/;

export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  // Each worker runs a server and a database of its own. Two cores are full with three: a page is drawn without a graphics card.
  workers: 3,
  fullyParallel: true,
  // Generous: a disk that stalls must not look like a broken app. Nothing here measures speed.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  retries: 0,
  forbidOnly: true,
  projects: [
    { name: 'machine', testMatch: WAITING, workers: 1 },
    { name: 'page', testIgnore: WAITING },
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env.CHROMIUM ?? browser ?? '', args },
    screenshot: 'only-on-failure',
    locale: 'en-GB',
    // Put in by each fresh browser anew, a tenth of the whole time: where it matters, a test lets it in.
    serviceWorkers: 'block',
  },
});
