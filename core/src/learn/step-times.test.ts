import { smallSheet as sheet } from '../../test/small-sheet';
import type { LogEntry } from '../job/kinds/index';
import { stepTimes } from './step-times';

const at = (minute: number) => new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString();
const log = [
  { kind: 'arrived', at: at(0), body: { plate: 'matches', note: '' }, presses: 3 },
  { kind: 'observed', at: at(2), body: { text: 'hums' }, presses: 6 },
  // Away for lunch, and a clock set back: neither is work.
  { kind: 'safed', at: at(45), body: { step: 'isolated' }, presses: 1 },
  { kind: 'safed', at: at(44), body: { step: 'isolated' } },
  { kind: 'safed', at: at(49), body: { step: 'isolated' }, presses: 2 },
].map((entry, i) => ({ id: String(i), author: 'Ana', ...entry })) as unknown as LogEntry[];

test('minutes, entries and presses belong to the stage that they were made in', () => {
  const { minutes, entries, presses } = stepTimes(sheet, { log });
  expect(entries).toEqual({ arrive: 2, safe: 3 });
  expect(minutes).toEqual({ arrive: 2, safe: 5 });
  expect(presses).toEqual({ arrive: 9, safe: 3 });
});

test('where nobody counted there are none, not zero', () => {
  const uncounted = log.map(({ presses: _, ...entry }) => entry as LogEntry);
  expect(stepTimes(sheet, { log: uncounted }).presses).toEqual({});
});
