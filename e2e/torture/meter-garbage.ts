/** Garbage and floods on a job's meter socket, and whether everybody else is answered meanwhile. */
import { WebSocket } from 'ws';
import { ask, made, post } from './client';
import { UNITS } from '../support/units';
import { dice } from './fuzz';
import { ownCookie } from '../support/signed-in';

export interface MeterResult {
  readonly messages: number;
  /** Longest answer of `/health` while they were worked off, ms. */
  readonly slowest: number;
  /** Whether the meter still measures afterwards. */
  readonly measures: boolean;
}

const ODD: readonly string[] = [
  'null', '{}', '[]', '"x"', '1', 'nonsense', '', '{"do":"dance"}', '{"do":"place"}', '{"do":"look"}',
  '{"do":"place","at":1,"placement":{"function":"sparks"}}', '{"do":"place","at":-1,"placement":null}',
  '{"do":"place","at":1e400,"placement":{"function":"V="}}', '{"do":"look","test":"\\ud83d"}',
  '{"do":"place","at":1,"placement":{"function":"V=","red":"nowhere","black":"nowhere"}}',
  '{"do":"look","test":"__proto__"}', '{"do":"place","at":1,"placement":{"function":"ohm","state":"no"}}',
  `{"do":"look","test":"${'x'.repeat(3000)}"}`, 'x'.repeat(3900), '{"__proto__":{"do":"lift"}}',
]; // oxfmt-ignore

const place = (n: number) =>
  JSON.stringify({
    do: 'place',
    at: Date.now(),
    placement: { function: n % 2 === 0 ? 'V=' : 'ohm', red: 'inv.F1.1', black: 'inv.F1.2' },
  });

export async function meterGarbage(url: string, floods: number, seed = 1): Promise<MeterResult> {
  const { id } = await made<{ id: string }>(
    post(`${url}/api/v1/jobs`, { unitId: UNITS.fridge, complaint: '', bench: { seed: 24 } }),
  );
  const address = `${url.replace('http', 'ws')}/api/v1/jobs/${id}/meter`;
  const roll = dice(seed);
  let messages = 0;

  const socket = await opened(address);
  for (const odd of ODD) socket.send(odd);
  for (let i = 0; i < 200; i += 1) socket.send(ODD[Math.floor(roll() * ODD.length)]!);
  socket.send(Buffer.from([0, 255, 254, 1]));
  messages += ODD.length + 201;
  for (let i = 0; i < floods; i += 1) socket.send(place(i));
  messages += floods;
  // Sockets that come and go, and one that says too much.
  for (let i = 0; i < 10; i += 1) (await opened(address)).terminate();
  const loud = await opened(address);
  loud.send('x'.repeat(100_000));

  let slowest = 0;
  const until = performance.now() + 3_000;
  while (performance.now() < until) {
    const started = performance.now();
    const { status } = await ask(`${url}/health`);
    if (status !== 200) throw new Error(`health answers ${status}`);
    slowest = Math.max(slowest, performance.now() - started);
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  socket.terminate();
  loud.terminate();

  const after = await opened(address);
  const measures = await new Promise<boolean>((resolve) => {
    const timer = setTimeout(() => resolve(false), 30_000);
    after.on('message', (data) => {
      if (!String(data).includes('"fn":"V="')) return;
      clearTimeout(timer);
      resolve(true);
    });
    after.send(place(0));
  });
  after.terminate();
  return { messages, slowest: Math.round(slowest), measures };
}

const opened = async (address: string): Promise<WebSocket> => {
  const cookie = await ownCookie(address.replace(/^ws/, 'http'));
  return new Promise((resolve, reject) => {
    const socket = new WebSocket(address, { headers: { cookie } });
    socket.on('error', reject);
    socket.once('open', () => {
      socket.removeAllListeners('error');
      socket.on('error', () => {});
      resolve(socket);
    });
  });
};
