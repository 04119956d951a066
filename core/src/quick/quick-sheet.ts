/** A full sheet out of a pin table. Afterwards it is a sheet like any other. */
import type { Connector, MeasureTest, Sheet } from '../sheet/schema';
import { SHEET_FORMAT } from '../sheet/schema';
import { curvesOf } from './curves';
import { linksOf, withFeeders } from './links';
import { propose, slug, type QuickTest } from './propose';
import type { QuickRow } from './rows';
import { supplyBoard, supplyOf, supplyPairs, type QuickSupply } from './supply';
import { nth } from '../numeric/nth';

export interface QuickHead {
  readonly id: string;
  readonly maker: string;
  readonly kind: string;
  readonly model: string;
  /** Document the figures were copied from. */
  readonly document: string;
  readonly supply: QuickSupply;
  /** Highest voltage when live. */
  readonly volts: number;
  /** Minutes to wait after isolating. */
  readonly waitMinutes: number;
}

const PIN_PITCH = 9;
const ROW = 26;

/**
 * @param table - One row at least, as {@link readRows} gives them.
 * @returns a sheet that passes every check, unless the rows themselves are at odds.
 */
export function quickSheet(head: QuickHead, table: readonly QuickRow[]): Sheet {
  const { rows, curves } = curvesOf(table);
  const plugs = plugsOf(rows);
  const connectors = plugs.map(({ connector }) => connector);
  const width = Math.max(120, 30 + Math.max(...connectors.map((c) => c.pins.length)) * PIN_PITCH);
  const places = placesOf(plugs);
  const tests = testsOfRows(rows, places);
  const { parts, faults } = propose(tests.flatMap(({ quick }) => quick));
  const { harnesses, paths } = linksOf(connectors);
  const live = new Set(rows.filter(({ energy }) => energy === 'live').map(stateId));
  const states = [...new Map(rows.map((row) => [stateId(row), row])).entries()];
  return {
    format: SHEET_FORMAT,
    id: head.id,
    title: `${head.maker} ${head.model}`,
    revision: 1,
    equipment: {
      maker: head.maker,
      kind: head.kind,
      models: [head.model],
      supply: supplyOf(head.supply),
    },
    source: { document: head.document },
    safety: {
      waitMinutes: head.waitMinutes,
      prove: supplyPairs(head.supply, rows, (row, pin) => ref(places, row.connector, pin)),
      volts: head.volts,
      cautions: [
        'This sheet was made from a pin table: where stored charge sits is not known. Treat every board as charged.',
      ],
      liveCautions: [
        'One hand, insulated probes, nothing metal worn.',
        'Meter and leads of the right category and voltage.',
        'Somebody within reach who can switch off.',
      ],
    },
    boards: [
      {
        id: 'board',
        name: 'Board',
        ...(parts.some(({ id }) => id === 'board') && { part: 'board' }),
        size: [width, 16 + connectors.length * ROW],
        connectors,
      },
      supplyBoard(head.supply),
    ],
    ...(harnesses.length > 0 && { harnesses: [...harnesses], paths: [...paths] }),
    ...(curves.length > 0 && { curves: [...curves] }),
    codes: { schemes: [], list: [] },
    states: states.map(([id, row]) => ({
      id,
      energy: row.energy,
      name: row.state,
      ...(row.energy === 'live' && { enter: [`Bring the unit to: ${row.state}.`] }),
    })),
    tests: withFeeders(
      tests.map(({ test }) => test),
      ({ state }) => live.has(state),
    ),
    faults: [...faults],
    parts: [...parts],
  };
}

const stateId = (row: QuickRow) => slug(`${row.energy === 'dead' ? 'dead' : 'live'}-${row.state}`);

/** Pin numbers by connector and name: named pins (`GND`) get numbers after the numbered ones. */
type Places = ReadonlyMap<string, { connector: string; n: number }>;

const placeKey = (connector: string, pin: string) => `${connector}|${pin}`.toLowerCase();
const ref = (places: Places, connector: string, pin: string) => {
  const place = places.get(placeKey(connector, pin))!;
  return `board.${place.connector}.${place.n}`;
};

/** A connector, and what its table calls it and its pins. */
interface Plug {
  readonly connector: Connector;
  readonly name: string;
  /** In the order of the connector's pins. */
  readonly pinNames: readonly string[];
}

function plugsOf(rows: readonly QuickRow[]): Plug[] {
  const ids = new Set<string>();
  return firstSpelling(rows.map((row) => row.connector)).map((name, i) => {
    const own = rows.filter((row) => row.connector.toLowerCase() === name.toLowerCase());
    const id = freeId(slug(name), ids);
    const pins = pinsOf(own);
    return {
      name,
      pinNames: pins.map((each) => each.name),
      connector: {
        id,
        ...(id !== name && { name }),
        at: [14, 14 + i * ROW],
        pins: pins.map(({ pin }) => pin),
      },
    };
  });
}

function pinsOf(rows: readonly QuickRow[]) {
  const names = firstSpelling(rows.flatMap((row) => [row.red, row.black]));
  const numbers = names.map(pinNumber);
  let free = Math.max(0, ...numbers);
  return names
    .map((name, i) => {
      const n = numbers[i] || (free += 1);
      const row = rows.find((each) => each.red === name);
      // A named pin is known by its name; a numbered one by what the table says of it.
      const signal = numbers[i] ? row?.signal : name;
      return { name, pin: { n, ...(signal && { signal }), ...(row?.wire && { wire: row.wire }) } };
    })
    .sort((a, b) => a.pin.n - b.pin.n);
}

/** 0 for a name that is no pin number. */
function pinNumber(name: string): number {
  const n = /^\d{1,3}$/.test(name) ? Number(name) : 0;
  return n <= 200 ? n : 0;
}

/** Each name once, as it was first written; case does not make another. */
function firstSpelling(names: readonly string[]): string[] {
  const known = new Map<string, string>();
  for (const name of names) if (!known.has(name.toLowerCase())) known.set(name.toLowerCase(), name);
  return [...known.values()];
}

function placesOf(plugs: readonly Plug[]): Places {
  return new Map(
    plugs.flatMap(({ connector, name, pinNames }) =>
      connector.pins.map(
        (pin, i) =>
          [placeKey(name, nth(pinNames, i)), { connector: connector.id, n: pin.n }] as const,
      ),
    ),
  );
}

function testsOfRows(
  rows: readonly QuickRow[],
  places: Places,
): { test: MeasureTest; quick: QuickTest[] }[] {
  // Rows of one connector, state, function and limits are one test with several points.
  const groups = new Map<string, QuickRow[]>();
  for (const row of rows) {
    const key = [row.connector.toLowerCase(), stateId(row), row.function].join('|');
    groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  const used = new Set<string>();
  return [...groups.values()].map((group) => {
    const first = nth(group, 0);
    const id = freeId(
      slug(
        `${first.connector}-${first.function.replace('=', 'dc').replace('~', 'ac')}-${first.state}`,
      ),
      used,
    );
    const pointIds = new Set<string>();
    const points = group.map((row) => ({
      id: freeId(slug(`${row.red}-${row.black}`), pointIds),
      ...((row.name || row.signal) && { name: row.name || row.signal }),
      red: ref(places, row.connector, row.red),
      black: ref(places, row.connector, row.black),
      expect: row.expect,
    }));
    const dead = first.energy === 'dead';
    const test: MeasureTest = {
      id,
      title: `${first.connector}, ${dead ? 'dead' : first.state}`,
      group: first.connector,
      how: 'measure',
      state: stateId(first),
      function: first.function,
      points,
      expect: first.expect,
      minutes: group.length * 0.5,
      ...(!dead && { hazard: 'live' }),
    };
    const quick = points.map((point, i) => ({
      id,
      point: point.id,
      observable: points.length > 1 ? `${id}@${point.id}` : id,
      row: nth(group, i),
    }));
    return { test, quick };
  });
}

function freeId(wanted: string, used: Set<string>): string {
  let id = wanted;
  for (let i = 2; used.has(id); i += 1) id = `${wanted}-${i}`;
  used.add(id);
  return id;
}
