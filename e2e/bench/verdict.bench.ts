/** From Enter to the verdict on screen, on the demo's largest sheet, with the processor slowed four times. */
import { bridgeDead, reading, test } from '../support/test';

test('Enter to verdict', async ({ page, newJob }) => {
  await page.clock.install();
  const id = await newJob('rooftop');
  await bridgeDead(page, id);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { verdictTimes: times });
    // performance.now is the test clock's; event time stamps and frame times are the browser's own.
    let pressed: number | undefined;
    window.addEventListener(
      'keydown',
      (e) => (pressed = e.key === 'Enter' ? e.timeStamp : pressed),
      true,
    );
    new MutationObserver(() => {
      if (pressed === undefined || !document.querySelector('[aria-label="Verdict"]')) return;
      const from = pressed;
      pressed = undefined;
      const channel = new MessageChannel();
      channel.port1.onmessage = (message) => times.push(message.timeStamp - from);
      channel.port2.postMessage(0);
    }).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  for (let round = 0; round < 8; round += 1) {
    for (const [point, figure] of [
      ['U upper', '0.452'],
      ['V upper', '0.448'],
      ['W upper', '0.455'],
    ] as const) {
      await page.getByRole('rowheader', { name: point, exact: true }).getByRole('button').click();
      await reading(page, figure);
    }
  }
  const times = await page.evaluate(
    () => (window as never as { verdictTimes: number[] }).verdictTimes,
  );
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => Math.round(sorted[Math.floor(share * (sorted.length - 1))]!);
  process.stdout.write(
    `\n${JSON.stringify({ unit: 'ms', 'Enter to verdict, 4× slower processor': { samples: sorted.length, median: at(0.5), p95: at(0.95), most: at(1), inOrder: times.map((t) => Math.round(t)) } }, null, 2)}\n`,
  );
});
