/** Opening the door: plain on loopback, TLS everywhere else. */
import { createServer as createTlsServer } from 'node:https';
import { serve, type ServerType } from '@hono/node-server';
import type { Hono } from 'hono';
import type { Settings } from './settings';
import { StartupError } from './startup-error';

/** @throws {StartupError} for a port that is taken, an address that is not here, a key of another certificate. */
export async function listen(
  app: Hono,
  { port, address, tls }: Pick<Settings, 'port' | 'address' | 'tls'>,
): Promise<ServerType> {
  let server: ServerType;
  try {
    server = serve({
      fetch: app.fetch,
      hostname: address,
      port,
      ...(tls && {
        createServer: createTlsServer,
        serverOptions: { ...tls, minVersion: 'TLSv1.2' },
      }),
    });
  } catch (error) {
    if (!tls) throw error;
    throw new StartupError(
      'bad-certificate',
      `Certificate and key cannot be used: ${error instanceof Error ? error.message : String(error)}.`,
    );
  }
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', (error: NodeJS.ErrnoException) => reject(whyNot(error, port, address)));
  });
  return server;
}

function whyNot(error: NodeJS.ErrnoException, port: number, address: string): Error {
  if (error.code === 'EADDRINUSE')
    return new StartupError(
      'port-taken',
      `Port ${port} is taken by another program. Stop it, or choose another with --port.`,
    );
  if (error.code === 'EADDRNOTAVAIL')
    return new StartupError('bad-address', `${address} is no address of this machine.`);
  if (error.code === 'EACCES')
    return new StartupError(
      'bad-port',
      `Port ${port} may not be opened by this user; choose one above 1023.`,
    );
  return error;
}
