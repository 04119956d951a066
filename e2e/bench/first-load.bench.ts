/** Today for the first time, on a slow line and with the processor slowed four times. */
import { setTimeout as pause } from 'node:timers/promises';
import { test } from '../support/test';
import { signedIn } from '../support/signed-in';

const RUNS = 6;
const DRAWN_MS = 1000;
/** 1.6 Mbit/s down, 150 ms there and back. */
const LINE = {
  offline: false,
  latency: 150,
  downloadThroughput: 200_000,
  uploadThroughput: 94_000,
};

test('first load of Today', async ({ browser, jeitinho }) => {
  const runs: { lcp: number; kB: number }[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    await signedIn(context, jeitinho.url);
    const page = await context.newPage();
    const devtools = await context.newCDPSession(page);
    const asked = new Map<string, number>();
    const came: { id: string; bytes: number }[] = [];
    await devtools.send('Network.enable');
    devtools.on('Network.requestWillBeSent', ({ requestId, timestamp }) =>
      asked.set(requestId, timestamp),
    );
    devtools.on('Network.loadingFinished', ({ requestId, encodedDataLength }) =>
      came.push({ id: requestId, bytes: encodedDataLength }),
    );
    await devtools.send('Network.emulateNetworkConditions', LINE);
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await page.goto(jeitinho.url);
    // Left alone meanwhile: what looks for something in the page takes a tenth of a second from it.
    await page.waitForLoadState('networkidle');
    await pause(DRAWN_MS);
    const lcp = await page.evaluate(
      () =>
        new Promise<number>((done) => {
          new PerformanceObserver((list) => done(list.getEntries().at(-1)!.startTime)).observe({
            type: 'largest-contentful-paint',
            buffered: true,
          });
        }),
    );
    await page.getByRole('region', { name: 'Next visit' }).waitFor();
    // All that was asked for until then, its letters among it; what comes later fetches the other screens.
    const until = Math.min(...asked.values()) + lcp / 1000;
    const first = came.filter(({ id }) => (asked.get(id) ?? Infinity) <= until);
    const kB = Math.round(first.reduce((sum, { bytes }) => sum + bytes, 0) / 1000);
    runs.push({ lcp: Math.round(lcp), kB });
    await context.close();
  }
  const median = (of: 'lcp' | 'kB') => runs.map((each) => each[of]).sort((a, b) => a - b)[RUNS / 2];
  const told = { runs, 'median LCP, ms': median('lcp'), 'median, kB': median('kB') };
  process.stdout.write(
    `\n${JSON.stringify({ 'first load of Today, slow line': told }, null, 2)}\n`,
  );
});
