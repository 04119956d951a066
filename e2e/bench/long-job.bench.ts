/** Opening a job of 500 entries that this device has seen before, with the processor slowed four times. */
import { v7 as uuidv7 } from 'uuid';
import { bridgeDead, test } from '../support/test';
import { fetch } from '../support/signed-in';

const WANTED = 500;
const RUNS = 7;

test('a long job opens', async ({ page, newJob, jeitinho }) => {
  test.setTimeout(60_000);
  const id = await newJob('rooftop');
  await bridgeDead(page, id);
  const measuring = new URL(page.url());
  const address = measuring.pathname + measuring.search;
  const log = async () => {
    const answer = await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`);
    return (await answer.json()) as { last: number };
  };
  const { last } = await log();
  const at = Date.now();
  const entries = Array.from({ length: WANTED - last }, (_, i) => ({
    id: uuidv7(),
    kind: 'observed',
    at: new Date(at + i).toISOString(),
    author: 'Davi Moura',
    body: { text: `note ${i}` },
  }));
  for (let i = 0; i < entries.length; i += 200) {
    const answer = await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries: entries.slice(i, i + 200) }),
    });
    if (!answer.ok) throw new Error(await answer.text());
  }
  const open = async () => {
    await page.goto(address);
    await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  };
  await open();
  await page.getByRole('tab', { name: /^Roll [45]\d\d$/ }).waitFor({ timeout: 20_000 });
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const opened: number[] = [];
  const roll: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    await page.goto('/');
    await page.getByRole('region', { name: 'Next visit' }).waitFor();
    // From a press within the app: what is fetched at the start is not the job’s.
    opened.push(
      await page.evaluate(async (to) => {
        const from = performance.now();
        window.history.pushState(null, '', to);
        window.dispatchEvent(new PopStateEvent('popstate'));
        while (!document.querySelector('input[data-keys="on"]'))
          await new Promise((done) => requestAnimationFrame(done));
        return performance.now() - from;
      }, address),
    );
    await page.getByRole('tab', { name: /^Roll/ }).focus();
    const before = await page.evaluate(() => performance.now());
    await page.getByRole('tab', { name: /^Roll/ }).press('Enter');
    await page.getByText(`note ${entries.length - 1}`).waitFor();
    roll.push((await page.evaluate(() => performance.now())) - before);
  }
  const median = (times: number[]) =>
    Math.round([...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!);
  process.stdout.write(
    `\n${JSON.stringify({ unit: 'ms', runs: RUNS, entries: WANTED, 'opens, 4× slower processor': median(opened), 'roll drawn': median(roll), opened: opened.map(Math.round), roll: roll.map(Math.round) })}\n`,
  );
});
