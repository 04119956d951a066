/** One sensor at several warmths is one sensor: its rows make a curve, and it is compared as a temperature. */
import type { Curve } from '../curves/schema';
import { slug } from './propose';
import type { QuickRow } from './rows';

/** Kelvin that a sensor may be off where a table gives two points and no tolerance. */
const WITHIN_K = 2;

export interface WithCurves {
  readonly rows: readonly QuickRow[];
  readonly curves: readonly Curve[];
}

/** Rows of one pair at two warmths or more become one row on a curve; the others stay as they are. */
export function curvesOf(rows: readonly QuickRow[]): WithCurves {
  const pairs = new Map<string, QuickRow[]>();
  for (const row of rows)
    if (row.celsius !== undefined && row.expect.unit === 'ohm')
      pairs.set(pairKey(row), [...(pairs.get(pairKey(row)) ?? []), row]);
  const curves = new Map<string, Curve>();
  for (const [key, own] of pairs) {
    const points = own
      .flatMap((row): [number, number][] => {
        const ohms = middleOf(row);
        return ohms === undefined ? [] : [[row.celsius!, ohms]];
      })
      .sort(([a], [b]) => a - b);
    if (points.length > 1) {
      const [first] = own;
      const id = slug(`sensor-${first!.connector}-${first!.red}-${first!.black}`);
      curves.set(key, { id, kind: 'table', points });
    }
  }
  const seen = new Set<string>();
  return {
    curves: [...curves.values()],
    rows: rows.flatMap((row) => {
      const curve = row.celsius === undefined ? undefined : curves.get(pairKey(row));
      if (!curve) return [row];
      if (seen.has(curve.id)) return [];
      seen.add(curve.id);
      return [
        { ...row, expect: { kind: 'curve', curve: curve.id, within: WITHIN_K, unit: 'ohm' } },
      ];
    }),
  };
}

const pairKey = ({ connector, red, black }: QuickRow) =>
  [connector, red, black].join('|').toLowerCase();

/** The figure that a row stands for. */
function middleOf({ expect }: QuickRow): number | undefined {
  if (expect.kind === 'nominal') return expect.value;
  return expect.kind === 'between' ? (expect.low + expect.high) / 2 : undefined;
}
