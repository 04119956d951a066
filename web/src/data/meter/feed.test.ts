/** @jest-environment node */
import type { MeterLine } from '@jeitinho/core';
import {
  connectMeter,
  disconnectMeter,
  isStale,
  liftLeads,
  meterFeed,
  onMeterLine,
  placeLeads,
  STALE_MS,
} from './feed';
import type { MeterPort, PortListener } from './port';

/** A port whose other end the test holds. */
function standIn(kind: MeterPort['kind'] = 'serial') {
  let listener: PortListener | undefined;
  const sent: object[] = [];
  const port: MeterPort & { opened: number; shut: number } = {
    kind,
    name: 'stand-in',
    opened: 0,
    shut: 0,
    open: async (own) => {
      port.opened += 1;
      listener = own;
    },
    close: async () => {
      port.shut += 1;
    },
    ...(kind === 'simulated' && { send: (message: object) => void sent.push(message) }),
  };
  return {
    port,
    sent,
    say: (text: string) => listener!.piece(text),
    hangUp: (again: boolean) => listener!.closed('gone', again),
  };
}
const line = (t: number, value: number) =>
  `{"t":${t},"fn":"V=","value":${value},"unit":"V","flags":[]}\n`;

afterEach(() => disconnectMeter());

test('pieces become lines, every taker sees each, the screen the last', async () => {
  const { port, say } = standIn();
  await connectMeter(port);
  const seen: number[] = [];
  const end = onMeterLine((each: MeterLine) => seen.push(each.value!));
  say(line(1, 5).slice(0, 12));
  expect(seen).toEqual([]);
  say(line(1, 5).slice(12) + line(2, 6));
  expect(seen).toEqual([5, 6]);
  expect(meterFeed().line?.value).toBe(6);
  end();
});

test('without lines for a while, or without a line at all, the figure is stale', async () => {
  const { port, say } = standIn();
  await connectMeter(port);
  expect(isStale(meterFeed(), Date.now())).toBe(true);
  say(line(1, 5));
  expect(isStale(meterFeed(), Date.now())).toBe(false);
  expect(isStale(meterFeed(), Date.now() + STALE_MS + 1)).toBe(true);
});

test('a second meter lets the first go, and what the first still says is not heard', async () => {
  const [one, two] = [standIn(), standIn()];
  await connectMeter(one.port);
  one.say(line(1, 5));
  await connectMeter(two.port);
  expect(one.port.shut).toBe(1);
  expect(meterFeed().line).toBeUndefined();
  one.say(line(2, 99));
  expect(meterFeed().line).toBeUndefined();
  two.say(line(1, 7));
  expect(meterFeed().line?.value).toBe(7);
});

test('a lost line comes back by itself where that may help, with the leads where they were', async () => {
  jest.useFakeTimers();
  const { port, say, hangUp, sent } = standIn('simulated');
  await connectMeter(port, 'job');
  placeLeads({ function: 'V=', red: 'inv.P', black: 'inv.N' });
  say(line(1, 5));
  hangUp(true);
  expect(meterFeed()).toMatchObject({ status: 'lost', trouble: 'gone', line: undefined });
  await jest.advanceTimersByTimeAsync(2000);
  expect(port.opened).toBe(2);
  expect(meterFeed().status).toBe('on');
  expect(sent.at(-1)).toMatchObject({ do: 'place', placement: { red: 'inv.P' } });
  // A new connection begins its clock anew.
  say(line(0.1, 6));
  expect(meterFeed().line?.value).toBe(6);
  hangUp(false);
  await jest.advanceTimersByTimeAsync(10_000);
  expect(port.opened).toBe(2);
  jest.useRealTimers();
});

test('leads put down, or taken off, while it is still connecting are where they lie once it answers', async () => {
  const { port: ready, sent } = standIn('simulated');
  let answer: () => void = () => {};
  const port: MeterPort = {
    ...ready,
    open: async (listener) => {
      await new Promise<void>((resolve) => (answer = resolve));
      return ready.open(listener);
    },
  };
  const soon = async (act: () => void) => {
    const connected = connectMeter(port, 'job');
    await new Promise(setImmediate);
    expect(meterFeed().status).toBe('connecting');
    sent.length = 0;
    act();
    // Nobody is there yet who could hear it.
    sent.length = 0;
    answer();
    await connected;
  };
  await soon(() => placeLeads({ function: 'V=', red: 'inv.P', black: 'inv.N' }));
  expect(sent).toMatchObject([{ do: 'place', placement: { red: 'inv.P', black: 'inv.N' } }]);
  await soon(liftLeads);
  expect(sent).toEqual([]);
  expect(meterFeed().leads).toBeUndefined();
});

test('what the simulated machine tells beside readings is kept apart; a real meter tells nothing', async () => {
  const { port, say } = standIn('simulated');
  await connectMeter(port, 'job');
  say('{"event":"hazard","kind":"meter-fuse","text":"boom"}\n{"event":"fuse","whole":false}\n');
  expect(meterFeed()).toMatchObject({ hazard: 'boom', fuseBlown: true, bad: 0 });
  say('{"event":"look","test":"light","answer":"dark"}\nnoise\n');
  expect(meterFeed()).toMatchObject({ looks: { light: 'dark' }, bad: 1 });
  const real = standIn();
  await connectMeter(real.port);
  real.say('{"event":"hazard","kind":"x","text":"boom"}\n');
  expect(meterFeed()).toMatchObject({ hazard: undefined, bad: 1 });
});

test('where the machine cannot be solved the figure goes and the reason comes, until the leads are moved', async () => {
  const { port, say } = standIn('simulated');
  await connectMeter(port, 'job');
  placeLeads({ function: 'V=', red: 'inv.P', black: 'inv.N' });
  say(line(1, 5));
  say('{"event":"trouble","text":"It shows nothing here."}\n');
  expect(meterFeed()).toMatchObject({
    status: 'on',
    line: undefined,
    trouble: 'It shows nothing here.',
  });
  liftLeads();
  expect(meterFeed().trouble).toBeUndefined();
});

test('a port that cannot be opened says why', async () => {
  await connectMeter({
    kind: 'serial',
    name: 'broken',
    open: () => Promise.reject(new Error('The cable is out.')),
    close: async () => {},
  });
  expect(meterFeed()).toMatchObject({ status: 'lost', trouble: 'The cable is out.' });
});
