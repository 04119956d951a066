import base from './playwright.config';

/** The pictures of the README, taken anew off the demo world: `npm run pictures`. */
export default { ...base, testDir: './pictures', testMatch: /\.pictures\.ts$/, projects: [{}] };
