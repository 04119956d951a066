import { smallSheet as written } from '../../../core/test/small-sheet';
import { JobFold, type JobState } from '@jeitinho/core/job';
import { foldedLog } from './folded';
import type { LocalEntry } from './local-store';

const entry = (id: string, more: object = {}): LocalEntry =>
  ({
    ...{
      id,
      kind: 'observed',
      at: '2026-05-04T09:00:00.000Z',
      author: 'Ana',
      device: 'A',
      seen: 1,
    },
    ...{ body: { text: id }, jobId: 'job', sendState: 'unsent' },
    ...more,
  }) as unknown as LocalEntry;
const opened = entry('0', {
  kind: 'opened',
  device: undefined,
  seen: undefined,
  seq: 1,
  body: { complaint: 'x', meter: null },
});

test('that the server numbered what this device wrote is no new state', () => {
  const before = foldedLog(written, [opened, entry('a'), entry('b')]);
  const sent = [opened, entry('a', { seq: 2 }), entry('b', { seq: 3, sendState: 'sent' })];
  expect(foldedLog(written, sent)).toBe(before);
  // In whatever order the store gives them.
  expect(foldedLog(written, [...sent].reverse())).toBe(before);
});

test('numbers that put them into another order are, and so are entries, clocks and refusals', () => {
  const before = foldedLog(written, [opened, entry('a'), entry('b')]);
  const turned = foldedLog(written, [opened, entry('a', { seq: 3 }), entry('b', { seq: 2 })]);
  expect(turned.state.log.map(({ id }) => id)).toEqual(['0', 'b', 'a']);
  for (const log of [
    [opened, entry('a'), entry('b'), entry('c')],
    [opened, entry('a'), entry('b', { offset: 4000 })],
    [opened, entry('a'), entry('b', { sendState: 'refused' })],
  ])
    expect(foldedLog(written, log)).not.toBe(before);
});

test('beside another device, or one that had not seen all, each number counts', () => {
  for (const others of [
    [opened, entry('a', { device: 'B', seq: 2 })],
    [opened, entry('0b', { device: undefined, seen: undefined, seq: 4 })],
  ]) {
    const before = foldedLog(written, [...others, entry('c')]);
    expect(foldedLog(written, [...others, entry('c', { seq: 5 })])).not.toBe(before);
  }
});

test('a sheet read from the store once more is the same sheet; one that says something else is not', () => {
  const log = [opened, entry('a')];
  const before = foldedLog(written, log);
  expect(foldedLog(structuredClone(written), log)).toBe(before);
  const other = structuredClone(written);
  other.title = 'Something else';
  expect(foldedLog(other, log)).not.toBe(before);
  expect(foldedLog(other, log).sheet.title).toBe('Something else');
});

test('one more entry goes on from the fold before; what withdraws, or comes in between, folds anew', () => {
  const goneOn = jest.spyOn(JobFold.prototype, 'followedBy');
  const log = [opened, entry('a')];
  const before = foldedLog(written, log);
  const texts = ({ state }: { state: JobState }) => state.observed.map(({ body }) => body.text);
  const more = foldedLog(written, [...log, entry('b')]);
  expect(goneOn).toHaveBeenCalledTimes(1);
  expect([texts(before), texts(more)]).toEqual([['a'], ['a', 'b']]);
  const gone = entry('c', { kind: 'withdrawn', body: { entry: 'a', reason: '' } });
  expect(texts(foldedLog(written, [...log, entry('b'), gone]))).toEqual(['b']);
  goneOn.mockClear();
  const between = entry('0a', { device: 'B', seq: 2 });
  expect(texts(foldedLog(written, [...log, between]))).toEqual(['0a', 'a']);
  expect(goneOn).not.toHaveBeenCalled();
  goneOn.mockRestore();
});
