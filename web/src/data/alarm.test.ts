/** A sound is ready after a press, and the loudspeaker is let go again. */
import { jest } from '@jest/globals';
import type * as Alarm from './alarm';

const log: string[] = [];
/** While something else has the loudspeaker. */
let taken: Promise<void> | undefined;

class Speaker {
  state: AudioContextState = 'suspended';
  readonly currentTime = 0;
  readonly destination = {};
  resume = async (): Promise<void> => {
    await taken;
    this.state = 'running';
    log.push('on');
  };
  suspend = async (): Promise<void> => {
    this.state = 'suspended';
    log.push('off');
  };
  createOscillator = () => ({
    frequency: { value: 0 },
    connect: (next: unknown) => next,
    start: () => log.push('tone'),
    stop: () => undefined,
  });
  createGain = () => ({
    gain: { setValueAtTime: () => undefined },
    connect: (next: unknown) => next,
  });
}

const soon = () => jest.advanceTimersByTimeAsync(0);

async function fresh(): Promise<typeof Alarm> {
  log.length = 0;
  Object.assign(globalThis, { AudioContext: Speaker });
  let alarm: typeof Alarm | undefined;
  await jest.isolateModulesAsync(async () => {
    alarm = await import('./alarm');
  });
  return alarm!;
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());
afterAll(() => Reflect.deleteProperty(globalThis, 'AudioContext'));

test('before any press nothing sounds, and nothing is kept for later', async () => {
  const { beep, readySound } = await fresh();
  beep(3);
  await soon();
  readySound();
  await soon();
  expect(log).toEqual(['on']);
});

test('a press makes it ready and lets it go; a clock that ends wakes it, for its tones only', async () => {
  const { beep, readySound } = await fresh();
  readySound();
  await jest.advanceTimersByTimeAsync(3_000);
  expect(log).toEqual(['on', 'off']);
  // Further presses leave it asleep.
  readySound();
  await soon();
  beep(3);
  await jest.advanceTimersByTimeAsync(2_900);
  expect(log).toEqual(['on', 'off', 'on', 'tone', 'tone', 'tone']);
  await jest.advanceTimersByTimeAsync(100);
  expect(log.at(-1)).toBe('off');
});

test('a short beep does not cut off a long alarm begun before', async () => {
  const { beep, readySound } = await fresh();
  readySound();
  await soon();
  beep(8);
  await soon();
  beep();
  await jest.advanceTimersByTimeAsync(4_500);
  expect(log).not.toContain('off');
  await jest.advanceTimersByTimeAsync(100);
  expect(log.at(-1)).toBe('off');
});

test('a beep in the moment it would be let go of is heard to its end', async () => {
  const { beep, readySound } = await fresh();
  readySound();
  await jest.advanceTimersByTimeAsync(1_990);
  taken = new Promise((done) => setTimeout(done, 30));
  beep(3);
  await jest.advanceTimersByTimeAsync(30);
  taken = undefined;
  expect(log).toEqual(['on', 'on', 'tone', 'tone', 'tone']);
  await jest.advanceTimersByTimeAsync(2_950);
  expect(log).not.toContain('off');
  await jest.advanceTimersByTimeAsync(50);
  expect(log.at(-1)).toBe('off');
});

test('a beep that comes too late is dropped; the next one sounds', async () => {
  const { beep, readySound } = await fresh();
  readySound();
  await soon();
  taken = new Promise((done) => setTimeout(done, 5_000));
  beep(3);
  await jest.advanceTimersByTimeAsync(5_000);
  taken = undefined;
  expect(log).not.toContain('tone');
  beep();
  await soon();
  expect(log.filter((each) => each === 'tone')).toHaveLength(1);
});
