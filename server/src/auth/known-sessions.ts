/**
 * Who asked a moment ago: a device that sends its readings asks the same many times a second. Forgotten after a
 * second, and on this server with every act but an appended entry, so that whoever is signed out is out at once
 * here, and within a second on another server.
 */
import type { SignedIn } from './signed-in';

const KEPT_MS = 1_000;
const MOST = 2_000;

export class KnownSessions {
  readonly #known = new Map<string, { readonly at: number; readonly person: SignedIn }>();

  get(token: string, now = Date.now()): SignedIn | undefined {
    const known = this.#known.get(token);
    // A clock that was set back keeps nobody in.
    return known && Math.abs(now - known.at) < KEPT_MS ? known.person : undefined;
  }

  set(token: string, person: SignedIn, now = Date.now()): void {
    if (this.#known.size >= MOST) this.#known.clear();
    this.#known.set(token, { at: now, person });
  }

  forget(): void {
    this.#known.clear();
  }
}
