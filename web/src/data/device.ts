/** This browser's own name, and how far its clock was off when it last reached the server. */
import { v7 as uuidv7 } from 'uuid';

const NAME = 'jeitinho.device';
const OFFSET = 'jeitinho.clock-offset';

let name: string | undefined;

/** The same for all tabs of a browser; a browser that keeps nothing gets one for each page. */
export function deviceName(): string {
  if (name !== undefined) return name;
  name = keptItem(NAME) ?? uuidv7();
  keepItem(NAME, name);
  return name;
}

let offset: number | undefined;

/** Milliseconds from this device's clock to the server's; 0 while they agree or nothing is known. */
export function clockOffset(): number {
  offset ??= Number(keptItem(OFFSET) ?? 0) || 0;
  return offset;
}

export function noteClockOffset(ms: number): void {
  offset = ms;
  keepItem(OFFSET, String(ms));
}

/** A small setting of this browser; undefined where there is none, or nothing may be kept. */
export function keptItem(key: string): string | undefined {
  try {
    return globalThis.localStorage?.getItem(key) ?? undefined;
  } catch {
    return undefined;
  }
}

/** Gone, where there was one. */
export function dropItem(key: string): void {
  try {
    globalThis.localStorage?.removeItem(key);
  } catch {
    // Nothing may be kept, so nothing is.
  }
}

/** Kept where it can be. */
export function keepItem(key: string, value: string): void {
  try {
    globalThis.localStorage?.setItem(key, value);
  } catch {
    // A full or forbidden store: the page goes by what it has in hand.
  }
}
