/** How the server is reached: what that allows, and who is at the other end. */
import type { HttpBindings } from '@hono/node-server';
import type { Context } from 'hono';
import { isIP } from 'node:net';

export interface Surroundings {
  /** Browsers reach it over TLS, its own or a proxy's. */
  readonly secure: boolean;
  /** Nobody but this machine reaches it. */
  readonly loopback: boolean;
  /** Host names beside those of loopback, without port. */
  readonly hosts: readonly string[];
  /** Made-up people come in by one press: with the demo, on loopback. */
  readonly madeUp: boolean;
  /** A proxy stands before it and says for whom it asks. */
  readonly behindProxy: boolean;
}

export const ON_LOOPBACK: Surroundings = {
  secure: false,
  loopback: true,
  madeUp: true,
  hosts: [],
  behindProxy: false,
};

/** Address of whoever asks: as the proxy before this server saw it, where there is one. */
export function clientOf(c: Context, { behindProxy }: Surroundings): string {
  // The last one is the proxy's own word; what stands before it anybody can write.
  const told = behindProxy ? c.req.header('x-forwarded-for')?.split(',').at(-1)?.trim() : undefined;
  if (told && isIP(told)) return told;
  const { incoming } = (c.env ?? {}) as Partial<HttpBindings>;
  return incoming?.socket.remoteAddress ?? 'unknown';
}

/** The address as the browser shows it. */
export function placeOf(c: Context, { secure }: Surroundings) {
  const { host, hostname } = new URL(`http://${c.req.header('host') ?? 'localhost'}`);
  return { host: hostname, origin: `${secure ? 'https' : 'http'}://${host}` };
}

/** Passkeys belong to a name and want a secure page; a browser takes `localhost` for one. */
export const holdsPasskeys = (host: string, secure: boolean): boolean =>
  host === 'localhost' || (secure && isIP(host.replace(/[[\]]/g, '')) === 0);
