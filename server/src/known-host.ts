/**
 * Only requests addressed to this server by a name of its own are answered. A page of another site could
 * otherwise reach it through a name that it points there (DNS rebinding).
 */
import type { MiddlewareHandler } from 'hono';
import { ProblemError } from './problem';

const LOOPBACK: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * @param host - As the request says it, port included.
 * @param more - Further host names this server is known by, without port.
 */
export function isKnownHost(host: string | undefined, more: readonly string[] = []): boolean {
  if (host === undefined) return false;
  const name = host.replace(/:\d+$/, '').toLowerCase();
  return LOOPBACK.has(name) || more.includes(name);
}

export const knownHost = (more: readonly string[] = []): MiddlewareHandler => {
  return async (c, next) => {
    if (isKnownHost(c.req.header('host'), more)) return next();
    const { hostname } = new URL(c.req.url);
    if (!isKnownHost(hostname, more))
      throw new ProblemError(421, 'unknown-host', `This server is not known as “${hostname}”.`);
    await next();
  };
};
