/**
 * Proving dead for a sheet made from a pin table: each leg of the supply to each other and to frame, on
 * AC, and what may stay charged, on DC. The table knows no places for them; they are drawn on a board of
 * their own, and the technician finds them where the supply enters.
 */
import { legsOf } from '../conditions/gaps';
import type { Board, ProvePair, Sheet } from '../sheet/schema';
import type { QuickRow } from './rows';
import { nth } from '../numeric/nth';

export const SUPPLY_SYSTEMS = [
  'single-phase',
  'two legs and neutral',
  'three-phase',
  'DC',
] as const;
export type SupplySystem = (typeof SUPPLY_SYSTEMS)[number];

export interface QuickSupply {
  readonly system: SupplySystem;
  /** Nominal volts: to neutral for single-phase, else from leg to leg. */
  readonly volts: number;
  readonly hertz: number;
}

/** Below these it counts as dead: the usual figures where no document states any. */
const DEAD_AC = 25;
const DEAD_DC = 24;
/** A rail of this many volts DC may hold a charge that hurts. */
const HURTS_DC = 60;

const LEGS: Record<number, readonly string[]> = {
  2: ['L', 'N'],
  3: ['L1', 'L2', 'L3'],
  4: ['L1', 'L2', 'L3', 'N'],
};

export const supplyOf = ({ system, volts, hertz }: QuickSupply): Sheet['equipment']['supply'] => ({
  system,
  volts,
  hertz: system === 'DC' ? 0 : hertz,
});

const legNames = (supply: QuickSupply): readonly string[] => {
  if (supply.system === 'DC') return [];
  if (supply.system === 'two legs and neutral') return ['L1', 'N', 'L2'];
  const legs = legsOf({ equipment: { supply: supplyOf(supply) } } as Sheet);
  return nth(LEGS, legs);
};

/** Where the supply enters, and the largest capacitor, on a board of their own. */
export function supplyBoard(supply: QuickSupply): Board {
  const legs = legNames(supply);
  const at = (i: number): [number, number] => [20 + i * 26, 20];
  return {
    id: 'supply',
    name: 'Where the supply enters',
    size: [Math.max(110, 40 + legs.length * 26), 70],
    points: [
      ...legs.map((id, i) => ({ id, at: at(i), shape: 'terminal' as const })),
      ...(legs.length > 0
        ? [{ id: 'PE', at: at(legs.length), shape: 'stud' as const, name: 'frame' }]
        : []),
      { id: 'Cp', at: [20, 50], shape: 'pad', name: 'largest capacitor +' },
      { id: 'Cm', at: [80, 50], shape: 'pad', name: 'largest capacitor −' },
    ],
  };
}

/** Every pair, AC first; a DC rail of the table that can hurt has its own. */
export function supplyPairs(
  supply: QuickSupply,
  rows: readonly QuickRow[],
  ref: (row: QuickRow, pin: string) => string,
): ProvePair[] {
  const legs = legNames(supply);
  const places = legs.length > 0 ? [...legs, 'PE'] : [];
  const name = (id: string) => (id === 'PE' ? 'frame' : id);
  const ac = places.flatMap((a, i) =>
    places.slice(i + 1).map((b): ProvePair => ({
      id: `${a}-${b}`.toLowerCase(),
      name: `${name(a)} to ${name(b)}`,
      from: `supply.${a}`,
      to: `supply.${b}`,
      function: 'V~',
      deadBelow: DEAD_AC,
      place: 'at the terminals where the supply enters',
    })),
  );
  const rails = rows.filter(
    (row) => row.energy === 'live' && row.function === 'V=' && highOf(row) >= HURTS_DC,
  );
  const seen = new Set<string>();
  const dc = rails.flatMap((row): ProvePair[] => {
    const [from, to] = [ref(row, row.red), ref(row, row.black)];
    if (seen.has(`${from} ${to}`) || seen.has(`${to} ${from}`)) return [];
    seen.add(`${from} ${to}`);
    return [
      {
        name: `${row.connector} ${row.red} to ${row.black}`,
        from,
        to,
        function: 'V=',
        deadBelow: DEAD_DC,
      },
    ];
  });
  return [
    ...ac,
    {
      id: 'store',
      name: 'Largest capacitor',
      from: 'supply.Cp',
      to: 'supply.Cm',
      function: 'V=',
      deadBelow: DEAD_DC,
      note: 'Across its two pads. A pin table does not say where charge is stored: find the largest capacitors and prove each.',
    },
    ...dc,
  ];
}

function highOf({ expect }: QuickRow): number {
  switch (expect.kind) {
    case 'nominal':
      return Math.abs(expect.value);
    case 'between':
      return Math.max(Math.abs(expect.low), Math.abs(expect.high));
    case 'atLeast':
      return Math.abs(expect.low);
    case 'atMost':
      return Math.abs(expect.high);
    default:
      return 0;
  }
}
