/** The cookie that holds a session: for this server alone, out of reach of scripts and of other sites. */
import type { Context } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { LONGEST_MS } from './sessions';

/** Under TLS with the prefix that lets no other host set it. */
const PLAIN = 'jeitinho';
const SECURE = '__Host-jeitinho';

/** @param secure - Whether the connection to the browser is. */
export const tokenIn = (c: Context, secure: boolean): string | undefined =>
  getCookie(c, secure ? SECURE : PLAIN);

/** The same from a plain `Cookie` header, for a WebSocket's greeting. */
export function tokenOf(header: string | undefined, secure: boolean): string | undefined {
  const name = `${secure ? SECURE : PLAIN}=`;
  return header
    ?.split(';')
    .map((each) => each.trim())
    .find((each) => each.startsWith(name))
    ?.slice(name.length);
}

const options = (secure: boolean) =>
  ({ path: '/', httpOnly: true, sameSite: 'Strict', secure }) as const;

export const giveToken = (c: Context, token: string, secure: boolean): void =>
  // Its end is the server's to say; the browser keeps it no longer than that could be.
  setCookie(c, secure ? SECURE : PLAIN, token, {
    ...options(secure),
    maxAge: LONGEST_MS / 1000,
  });

export function takeToken(c: Context, secure: boolean): void {
  deleteCookie(c, secure ? SECURE : PLAIN, options(secure));
}
