import base from './playwright.config';

/** Measurements in the real browser: printed, never asserted. */
export default { ...base, testDir: './bench', testMatch: /\.bench\.ts$/, reporter: 'line' };
