/**
 * Only requests addressed to this machine are answered. A page of another site could otherwise reach a
 * server on loopback through a name that it points there (DNS rebinding).
 */
import type { MiddlewareHandler } from 'hono';
import { ProblemError } from './problem';

const LOOPBACK: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** @param host - As the request says it, port included. */
export function isKnownHost(host: string | undefined): boolean {
  return host !== undefined && LOOPBACK.has(host.replace(/:\d+$/, ''));
}

/** @param more - Further host names this server is known by, without port. */
export const knownHost = (more: readonly string[] = []): MiddlewareHandler => {
  return async (c, next) => {
    const host = c.req.header('host');
    if (isKnownHost(host)) return next();
    const { hostname } = new URL(c.req.url);
    if (!LOOPBACK.has(hostname) && !more.includes(hostname))
      throw new ProblemError(421, 'unknown-host', `This server is not known as “${hostname}”.`);
    await next();
  };
};
