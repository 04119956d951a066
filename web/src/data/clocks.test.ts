/** Clocks of every job on the device, from its own store. */
import { smallSheet } from '../../../core/test/small-sheet';
import { begunLately, runningIn } from './clocks';
import { LocalStore } from './local-store';
import { recordEntry } from './record';

let store: LocalStore;
beforeEach(async () => {
  store = new LocalStore(`clocks-${Math.random()}`);
  for (const [id, label] of [
    ['a', 'Fridge'],
    ['b', 'Chiller'],
  ] as const)
    await store.jobs.put({ id, sheet: smallSheet, unit: { label }, shop: {} } as never);
});
afterEach(() => store.close());

const target = (jobId: string) => ({ jobId, written: smallSheet, author: 'Ana' });
const named = (jobId: string, name: string, seconds: number) =>
  recordEntry(target(jobId), 'clock', { name, seconds, meanwhile: '' }, store);
const onDevice = async (now: number) =>
  runningIn(await store.jobs.bulkGet(await begunLately(now, store)), store);
const shown = async (now = Date.now()) =>
  (await onDevice(now)).clocks.map(({ name, unit }) => `${unit}: ${name}`);

test('all jobs together, in the order in which they end', async () => {
  await named('a', 'Soak', 600);
  await named('b', 'Call back', 60);
  await recordEntry(target('a'), 'safed', { step: 'isolated' }, store);
  expect(await shown()).toEqual(['Chiller: Call back', 'Fridge: Wait: Bus', 'Fridge: Soak']);
});

test('what was stopped, refused, signed or long past is nobody’s clock', async () => {
  await named('a', 'Soak', 600);
  const [clock] = await store.entries.toArray();
  await recordEntry(target('a'), 'clock-stopped', { clock: clock!.id }, store);
  await named('b', 'Call back', 60);
  expect(await shown()).toEqual(['Chiller: Call back']);
  expect(await shown(Date.now() + 40 * 3_600_000)).toEqual([]);
  await store.entries.where({ jobId: 'b' }).modify({ sendState: 'refused' });
  expect(await shown()).toEqual([]);
});
