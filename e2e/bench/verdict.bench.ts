/**
 * From Enter to the verdict on screen, on the demo's largest sheet, with the processor slowed four times; beside
 * it the same key on a page that does nothing but write a word, which tells how busy the machine is.
 */
import { setTimeout as pause } from 'node:timers/promises';
import type { Locator, Page } from '@playwright/test';
import { bridgeDead, test } from '../support/test';

/** The page has the processor to itself meanwhile: nobody asks it anything. */
const REST_MS = 450;

/**
 * Notes the time from each Enter to the frame that shows what it changed, as the browser itself tells it (Event
 * Timing; frames in steps of 8 ms), and whether what a selector shows had changed in that frame.
 */
const watch = (page: Page, selector: string) =>
  page.evaluate((at) => {
    const times: number[] = [];
    const tasks: number[] = [];
    const handled: number[] = [];
    const late: string[] = [];
    new PerformanceObserver((list) => {
      tasks.push(...list.getEntries().map(({ duration }) => Math.round(duration)));
    }).observe({ type: 'longtask' });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as PerformanceEventTiming[]) {
        if (entry.name !== 'keydown') continue;
        times.push(entry.duration);
        handled.push(entry.processingEnd - entry.startTime);
      }
    }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
    const said = () => document.querySelector(at)?.textContent ?? '';
    let before = said();
    window.addEventListener('keydown', (event) => {
      // Last of all listeners: what is not there now comes in a later frame.
      if (event.key !== 'Enter') return;
      queueMicrotask(() => {
        if (said() === before) late.push(said());
        before = said();
      });
    });
    Object.assign(window, { times, handled, tasks, late });
  }, selector);

const taken = (page: Page) =>
  page.evaluate(() => {
    const { times, handled, tasks, late } = window as never as {
      times: number[];
      handled: number[];
      tasks: number[];
      late: string[];
    };
    return { times, handled, tasks, late: late.length };
  });

const slowed = async (page: Page) => {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
};

function summary(times: readonly number[]) {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => Math.round(sorted[Math.floor(share * (sorted.length - 1))] ?? NaN);
  return {
    samples: sorted.length,
    first: Math.round(times[0] ?? NaN),
    median: at(0.5),
    p95: at(0.95),
  };
}

const PRESS_MS = 60;

/** Pressed as by a hand: down, and up a moment later. The runner's own click looks for its target in between. */
async function touch(page: Page, what: Locator) {
  await what.scrollIntoViewIfNeeded();
  const { x, y, width, height } = (await what.boundingBox())!;
  await page.mouse.move(x + width / 2, y + height / 2);
  await pause(PRESS_MS);
  await page.mouse.down();
  await pause(PRESS_MS);
  await page.mouse.up();
  await pause(PRESS_MS);
}

const POINTS = ['U upper', 'V upper', 'W upper'];

test('Enter to verdict', async ({ page, newJob, context }) => {
  test.setTimeout(300_000);
  const blank = await context.newPage();
  await blank.setContent('<input><p id="said"></p>');
  await blank.evaluate(() =>
    window.addEventListener('keydown', (event) => {
      if (event.key === 'Enter') document.querySelector('#said')!.textContent += 'x';
    }),
  );
  await watch(blank, '#said');
  await slowed(blank);
  await blank.bringToFront();
  await blank.locator('input').focus();
  for (let i = 0; i < 12; i += 1) {
    await blank.keyboard.press('Enter');
    await pause(REST_MS / 3);
  }
  const baseline = summary((await taken(blank)).times);
  await page.bringToFront();
  const id = await newJob('rooftop');
  await bridgeDead(page, id);
  const field = page.getByRole('textbox', { name: /^Reading/ });
  await field.waitFor();
  await watch(page, '[aria-label="Verdict"]');
  await slowed(page);
  for (let round = 0; round < 8; round += 1)
    for (const [i, point] of POINTS.entries()) {
      await touch(
        page,
        page.getByRole('rowheader', { name: point, exact: true }).getByRole('button'),
      );
      // Each figure differs from the one before, so that its verdict says something new.
      await field.fill(`0.4${50 + round * 3 + i}`);
      await pause(REST_MS);
      await page.keyboard.press('Enter');
      await pause(REST_MS);
    }
  const { times, handled, tasks, late } = await taken(page);
  const told = summary(handled);
  process.stdout.write(
    `\n${JSON.stringify({
      unit: 'ms',
      '4× slower processor, Enter until the verdict stands': told,
      'and until its frame is on the screen': summary(times),
      'a word on a blank page, until its frame': baseline,
      'verdicts that came after that frame': late,
      'tasks over 100 ms': tasks.filter((ms) => ms > 100).length,
      tasks: tasks.join(' '),
    })}\n`,
  );
});
