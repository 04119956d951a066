/** A full sheet out of a pin table. Afterwards it is a sheet like any other. */
import type { Connector, MeasureTest, Sheet } from '../sheet/schema';
import { SHEET_FORMAT } from '../sheet/schema';
import { propose, slug, type QuickTest } from './propose';
import type { QuickRow } from './rows';

export interface QuickHead {
  readonly id: string;
  readonly maker: string;
  readonly kind: string;
  readonly model: string;
  /** Document the figures were copied from. */
  readonly document: string;
  /** Highest voltage when live. */
  readonly volts: number;
  /** Minutes to wait after isolating. */
  readonly waitMinutes: number;
}

/** Volts below which it may be taken for dead; the usual figure for resistance work. */
const DEAD_BELOW = 24;
const PIN_PITCH = 9;
const ROW = 26;

/**
 * @param rows - At least one, as {@link readRows} gives them.
 * @returns a sheet that passes every check, unless the rows themselves are at odds.
 */
export function quickSheet(head: QuickHead, rows: readonly QuickRow[]): Sheet {
  const connectors = connectorsOf(rows);
  const width = Math.max(120, 30 + Math.max(...connectors.map((c) => c.pins.length)) * PIN_PITCH);
  const places = placesOf(connectors);
  const tests = testsOfRows(rows, places);
  const { parts, faults } = propose(tests.flatMap(({ quick }) => quick));
  const states = [...new Map(rows.map((row) => [stateId(row), row])).entries()];
  const first = rows[0]!;
  return {
    format: SHEET_FORMAT,
    id: head.id,
    title: `${head.maker} ${head.model}`,
    revision: 1,
    equipment: { maker: head.maker, kind: head.kind, models: [head.model] },
    source: { document: head.document },
    safety: {
      waitMinutes: head.waitMinutes,
      bus: {
        red: ref(places, first.connector, first.red),
        black: ref(places, first.connector, first.black),
        below: DEAD_BELOW,
      },
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
    ],
    codes: { schemes: [], list: [] },
    states: states.map(([id, row]) => ({
      id,
      energy: row.energy,
      name: row.state,
      ...(row.energy === 'live' && { enter: [`Bring the unit to: ${row.state}.`] }),
    })),
    tests: tests.map(({ test }) => test),
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

function connectorsOf(rows: readonly QuickRow[]): (Connector & { pinNames: string[] })[] {
  const names = [
    ...new Map(rows.map((row) => [row.connector.toLowerCase(), row.connector])).values(),
  ];
  const ids = new Set<string>();
  return names.map((name, i) => {
    const own = rows.filter((row) => row.connector.toLowerCase() === name.toLowerCase());
    const pinNames = [
      ...new Map(
        own.flatMap((row) => [row.red, row.black]).map((p) => [p.toLowerCase(), p]),
      ).values(),
    ];
    const numbers = pinNames.map((pin) =>
      /^\d{1,3}$/.test(pin) && Number(pin) >= 1 && Number(pin) <= 200 ? Number(pin) : 0,
    );
    let free = Math.max(0, ...numbers);
    const pins = pinNames
      .map((pin, p) => {
        const n = numbers[p] || (free += 1);
        const row = own.find((each) => each.red === pin);
        const signal = numbers[p] ? row?.signal : pin;
        return { n, name: pin, ...(signal && { signal }), ...(row?.wire && { wire: row.wire }) };
      })
      .sort((a, b) => a.n - b.n);
    let id = slug(name);
    while (ids.has(id)) id = `${id}x`;
    ids.add(id);
    return {
      id,
      ...(id !== name && { name }),
      at: [14, 14 + i * ROW] as [number, number],
      pins: pins.map(({ name: _name, ...pin }) => pin),
      pinNames: pins.map((pin) => pin.name),
    };
  });
}

function placesOf(connectors: readonly (Connector & { pinNames: string[] })[]): Places {
  const places = new Map<string, { connector: string; n: number }>();
  for (const connector of connectors) {
    connector.pins.forEach((pin, i) =>
      places.set(placeKey(connector.name ?? connector.id, connector.pinNames[i]!), {
        connector: connector.id,
        n: pin.n,
      }),
    );
    // They served their purpose; a connector of a sheet has no such field.
    delete (connector as { pinNames?: string[] }).pinNames;
  }
  return places;
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
    const first = group[0]!;
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
      row: group[i]!,
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
