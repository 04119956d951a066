import { MOST_PRESSES } from '@jeitinho/core/job';
import { smallSheet as sheet } from '../../../core/test/small-sheet';
import { LocalStore } from './local-store';
import { countPresses, PressCounter, presses } from './presses';
import { recordEntry } from './record';

test('counted for the job on the page, anew on another page, and never for another job', () => {
  const counter = new PressCounter();
  counter.press('a');
  counter.press('a');
  expect(counter.since('a')).toEqual({ presses: 2 });
  expect(counter.since('b')).toEqual({});
  counter.press('b');
  expect(counter.since('b')).toEqual({ presses: 1 });
  counter.press(undefined);
  counter.press('b');
  expect(counter.since('b')).toEqual({ presses: 1 });
});

test('what was pressed between making and keeping an entry belongs to the next', () => {
  const counter = new PressCounter();
  for (let i = 0; i < 5; i += 1) counter.press('a');
  const entry = { jobId: 'a', ...counter.since('a') };
  counter.press('a');
  counter.written(entry);
  expect(counter.since('a')).toEqual({ presses: 1 });
  counter.written({ jobId: 'b', presses: 1 });
  expect(counter.since('a')).toEqual({ presses: 1 });
});

test('no more than an entry may say', () => {
  const counter = new PressCounter();
  for (let i = 0; i < MOST_PRESSES + 5; i += 1) counter.press('a');
  expect(counter.since('a')).toEqual({ presses: MOST_PRESSES });
});

test('taps and keys count; a key held down once, one that only changes another not at all', async () => {
  const page = new EventTarget() as EventTarget & { location: { pathname: string } };
  page.location = { pathname: '/jobs/job-9/measure' };
  countPresses(page as unknown as Window);
  const key = (init: object) => page.dispatchEvent(Object.assign(new Event('keydown'), init));
  page.dispatchEvent(new Event('pointerdown'));
  key({ key: '4', repeat: false });
  key({ key: '4', repeat: true });
  key({ key: 'Shift', repeat: false });
  expect(presses.since('job-9')).toEqual({ presses: 2 });
  const store = new LocalStore('presses');
  const target = { jobId: 'job-9', written: sheet, author: 'Ana' };
  // What is refused took presses all the same: they belong to what is kept after it.
  await recordEntry(target, 'withdrawn', { entry: 'none', reason: 'no' } as never, store);
  key({ key: 'Enter', repeat: false });
  await recordEntry(target, 'observed', { text: 'hums' }, store);
  await recordEntry(target, 'observed', { text: 'clicks' }, store);
  const kept = (await store.entries.toArray()).sort((a, b) => (a.id < b.id ? -1 : 1));
  expect(kept.map((entry) => entry.presses)).toEqual([3, 0]);
});
