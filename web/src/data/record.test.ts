import { busAt, measured, smallSheet as sheet, volts } from '../../../core/test/small-sheet';
import { LocalStore } from './local-store';
import { recordEntry } from './record';

const target = { jobId: 'job-1', written: sheet, author: 'Ana' };
let store: LocalStore;
let number = 0;

beforeEach(() => {
  number += 1;
  store = new LocalStore(`record-${number}`);
});

test('an entry is kept on the device, unsent', async () => {
  expect(await recordEntry(target, 'observed', { text: 'hums' }, store)).toBeUndefined();
  expect(await store.entries.toArray()).toMatchObject([
    { kind: 'observed', author: 'Ana', sendState: 'unsent', body: { text: 'hums' } },
  ]);
});

test('what the rules refuse is not kept, and the reason comes back', async () => {
  const body = measured('diode', 'U', 0.45, 'diode');
  expect(await recordEntry(target, 'reading', body, store)).toMatchObject({
    code: 'dead-not-proven',
  });
  expect(await store.entries.count()).toBe(0);
});

test('two at once are checked one after the other: the second sees the first', async () => {
  const decide = {
    action: 'hand-over' as const,
    part: null,
    leading: null,
    probability: 0,
    reason: 'gas',
  };
  const left = { energy: 'live' as const, note: '', open: [] };
  const sign = { technician: 'Ana', customer: '', note: '', left };
  const results = await Promise.all([
    recordEntry(target, 'decision', decide, store),
    recordEntry(target, 'signed', sign, store),
    recordEntry(target, 'observed', { text: 'too late' }, store),
  ]);
  expect(results.map((refusal) => refusal?.code)).toEqual([undefined, undefined, 'job-signed']);
});

test('entries that the server refused are out of the reckoning', async () => {
  await recordEntry(target, 'safed', { step: 'isolated' }, store);
  expect(await recordEntry(target, 'safed', busAt(volts(310)), store)).toBeUndefined();
  await store.entries.toCollection().modify({ sendState: 'refused' });
  expect(await recordEntry(target, 'safed', busAt(volts(310)), store)).toMatchObject({
    code: 'safe-step-out-of-order',
  });
});

test('an entry says which device wrote it and what that had seen', async () => {
  await recordEntry(target, 'observed', { text: 'hums' }, store);
  await store.entries.toCollection().modify({ seq: 7, sendState: 'sent' });
  await recordEntry(target, 'observed', { text: 'clicks' }, store);
  const [first, second] = (await store.entries.toArray()).sort((a, b) => (a.id < b.id ? -1 : 1));
  expect([first!.seen, second!.seen]).toEqual([0, 7]);
  expect(first!.device).toBe(second!.device);
  expect(first!.device).toMatch(/^[0-9a-f-]{36}$/);
});
