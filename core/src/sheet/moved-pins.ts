/**
 * Pins that stand elsewhere on the machine at hand than the sheet says: another maker's plug, a harness
 * that somebody has re-pinned. The sheet of the job then names and draws them where they were found; what
 * they carry, and what is expected of them, goes with them.
 */
import type { Connector, Sheet, WrittenSheet } from './schema';

/** By connector, `main.CN4`, the sheet's pin to the pin of the machine. Those not named stand where they are. */
export type Moved = Readonly<Record<string, Readonly<Record<string, number>>>>;

/** What is wrong with pins said to stand elsewhere; undefined where every pin has one place of its own. */
export function movedProblem(
  connector: Connector,
  at: Readonly<Record<string, number>>,
): string | undefined {
  const pins = new Set(connector.pins.map(({ n }) => n));
  const unknown = [...Object.keys(at).map(Number), ...Object.values(at)].find((n) => !pins.has(n));
  if (unknown !== undefined) return `${connector.id} has no pin ${unknown}.`;
  const places = Object.values(at);
  const twice = places.find((n, i) => places.indexOf(n) < i);
  if (twice !== undefined) return `Two pins cannot both be at ${twice}.`;
  const homeless = places.find((n) => !Object.hasOwn(at, n));
  return homeless === undefined
    ? undefined
    : `Pin ${homeless} is taken by another: say where pin ${homeless} of the sheet stands.`;
}

/**
 * Where pins stand that were moved before, and now further.
 * @param further - By where they stand now.
 * @returns the sheet's pin to the machine's, of those that are not as the sheet says.
 */
export const movedFurther = (
  { pins }: Connector,
  before: Readonly<Record<string, number>>,
  further: Readonly<Record<string, number>>,
): Readonly<Record<string, number>> =>
  Object.fromEntries(
    pins.flatMap(({ n }) => {
      const now = before[n] ?? n;
      const place = further[now] ?? now;
      return place === n ? [] : [[n, place]];
    }),
  );

/** `C6 pinned otherwise here: 1 at 4, 4 at 1`. */
export function movedWords(connector: string, at: Readonly<Record<string, number>>): string {
  const moved = Object.entries(at).filter(([from, to]) => Number(from) !== to);
  const name = connector.slice(connector.lastIndexOf('.') + 1);
  return moved.length === 0
    ? `${name} is pinned as the sheet says`
    : `${name} pinned otherwise here: ${moved.map(([from, to]) => `${from} at ${to}`).join(', ')}`;
}

/** A sheet with the pins of a connector written where they were found, for good; its bench with them. */
export const rePinned = (
  written: WrittenSheet,
  connector: string,
  at: Readonly<Record<string, number>>,
): WrittenSheet => move(written, { [connector]: at });

const made = new WeakMap<Sheet, Map<string, Sheet>>();

/** @returns the sheet with its pins where they were found; the same one for the same pins. */
export function withMoved(sheet: Sheet, moved: Moved): Sheet {
  if (Object.keys(moved).length === 0) return sheet;
  const key = JSON.stringify(moved);
  const ways = made.get(sheet) ?? new Map<string, Sheet>();
  made.set(sheet, ways);
  const before = ways.get(key);
  if (before) return before;
  // The simulated machine is as it is, whatever somebody says of its pins.
  const { bench } = sheet;
  const fresh = { ...move(sheet, moved), ...(bench && { bench }), moved };
  ways.set(key, fresh);
  return fresh;
}

function move<S extends Pick<Sheet, 'boards'>>(sheet: S, moved: Moved): S {
  const refs = new Map(
    Object.entries(moved).flatMap(([connector, at]) =>
      Object.entries(at).map(([from, to]) => [`${connector}.${from}`, `${connector}.${to}`]),
    ),
  );
  const { boards } = sheet;
  return {
    ...(renamed(sheet, refs) as S),
    boards: boards.map((board) => ({
      ...board,
      ...(board.connectors && {
        connectors: board.connectors.map((each) =>
          replugged(each, moved[`${board.id}.${each.id}`]),
        ),
      }),
    })),
  };
}

const replugged = (connector: Connector, at: Moved[string] | undefined): Connector =>
  at === undefined
    ? connector
    : {
        ...connector,
        pins: connector.pins
          .map((pin) => ({ ...pin, n: at[pin.n] ?? pin.n }))
          .sort((a, b) => a.n - b.n),
      };

function renamed(value: unknown, refs: ReadonlyMap<string, string>): unknown {
  if (typeof value === 'string') return refs.get(value) ?? value;
  if (Array.isArray(value)) return value.map((each) => renamed(each, refs));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [refs.get(key) ?? key, renamed(each, refs)]),
  );
}
