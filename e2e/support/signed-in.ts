/** Somebody signed in, for what the tests ask without a page: one session a server, as the demo's owner. */
import type { BrowserContext } from '@playwright/test';

export const DAVI = 'Davi Moura';

const cookies = new Map<string, Promise<string>>();

/** A `Cookie` header of a demo person's session. */
export async function cookieOf(url: string, name = DAVI, device = 'test'): Promise<string> {
  const api = `${new URL(url).origin}/api/v1/session`;
  const { demo } = (await (await globalThis.fetch(api)).json()) as {
    demo: { id: string; name: string }[];
  };
  const person = demo.find((each) => each.name === name);
  if (!person) throw new Error(`${name} is not among the demo’s people`);
  const response = await globalThis.fetch(`${api}/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ person: person.id, device }),
  });
  const cookie = /^[^;]+/.exec(response.headers.get('set-cookie') ?? '')?.[0];
  if (cookie === undefined) throw new Error(`${name} did not come in: ${response.status}`);
  return cookie;
}

/** Comes in by the link that a server without a demo printed, as its owner. */
export async function beginShop({ url, output }: { url: string; output: string }): Promise<void> {
  const token = /\/welcome#([\w-]+)/.exec(output)?.[1];
  if (token === undefined) throw new Error(`no link was printed: ${output}`);
  const response = await globalThis.fetch(`${url}/api/v1/session/link`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      ...{ token, name: DAVI, login: 'davi', password: OWN_PASSWORD, device: 'test' },
    }),
  });
  const cookie = /^[^;]+/.exec(response.headers.get('set-cookie') ?? '')?.[0];
  if (cookie === undefined) throw new Error(await response.text());
  cookies.set(new URL(url).origin, Promise.resolve(cookie));
}

export const OWN_PASSWORD = 'a long way back home';

export function ownCookie(url: string): Promise<string> {
  const { origin } = new URL(url);
  const cookie = cookies.get(origin) ?? cookieOf(origin);
  cookies.set(origin, cookie);
  cookie.catch(() => cookies.delete(origin));
  return cookie;
}

/** As the owner. Health and pages need nobody. */
export async function fetch(url: string, init: RequestInit = {}): Promise<Response> {
  if (!url.includes('/api/')) return globalThis.fetch(url, init);
  const headers = new Headers(init.headers);
  headers.set('cookie', await ownCookie(url));
  return globalThis.fetch(url, { ...init, headers });
}

/** A browser that is signed in already, with a session of its own: hands may change on it. */
export async function signedIn(context: BrowserContext, url: string): Promise<BrowserContext> {
  const [name = '', value = ''] = (await cookieOf(url)).split('=');
  await context.addCookies([{ name, value, url, httpOnly: true, sameSite: 'Strict' }]);
  return context;
}
