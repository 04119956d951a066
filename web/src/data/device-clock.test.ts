import { clockSetBy } from './device-clock';

const before = { wall: 1_000_000, steady: 500, offset: 200 };
const now = (wallMs: number, steadyMs: number) => ({
  wall: before.wall + wallMs,
  steady: before.steady + steadyMs,
});
const server = (offset: number | undefined) => () => Promise.resolve(offset);

test('while both run on together, nothing was set, and nobody is asked', async () => {
  const ask = jest.fn(server(200));
  expect(await clockSetBy(before, now(1000, 1000), ask)).toBe(0);
  expect(await clockSetBy(before, now(4000, 1000), ask)).toBe(0);
  expect(ask).not.toHaveBeenCalled();
});

test('back in time is never sleep', async () => {
  expect(await clockSetBy(before, now(-3_599_000, 1000), server(undefined))).toBe(-3_600_000);
});

test('forward is sleep where the server’s clock went along, and a set clock where it did not', async () => {
  expect(await clockSetBy(before, now(600_000, 1000), server(200))).toBe(0);
  expect(await clockSetBy(before, now(600_000, 1000), server(200 - 599_000))).toBe(599_000);
});

test('without the server a leap forward claims nothing', async () => {
  expect(await clockSetBy(before, now(600_000, 1000), server(undefined))).toBe(0);
  expect(await clockSetBy({ ...before, offset: undefined }, now(600_000, 1000), server(9))).toBe(0);
});
