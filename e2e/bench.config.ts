import base from './playwright.config';

/** Measurements in the real browser: printed, never asserted; one at a time, each with the machine to itself. */
export default {
  ...base,
  use: { ...base.use, alone: true },
  workers: 1,
  retries: 0,
  testDir: './bench',
  testMatch: /\.bench\.ts$/,
  reporter: 'line',
};
