/** Where the probes of a test's point lie in the bench's circuit, and what is opened for them. */
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import { functionOf } from '../../sheet/all-tests';
import { observableId } from '../../sheet/observables';
import type { BenchModel, MeasureTest, TestPoint } from '../../sheet/schema';
import type { Probing } from '../meter/probing';
import { nodeAt } from './machine';

/** Undefined where the bench has nothing for it: a display, a sound, a gauge that is not modelled. */
export function probingOf(
  bench: BenchModel,
  test: MeasureTest,
  point: TestPoint,
): Probing | undefined {
  const fn = functionOf(test, point);
  const gauge = bench.gauges?.[observableId(test, point.id)];
  if (gauge !== undefined) return { function: fn, red: gauge.toLowerCase() };
  return placed(bench, fn, point.red, point.black);
}

/** The same for probes placed anywhere. */
export function placed(
  bench: BenchModel,
  fn: MeterFunction,
  red: string | undefined,
  black: string | undefined,
): Probing | undefined {
  if (red === undefined) return undefined;
  if (fn === 'clamp=' || fn === 'clamp~') {
    const clamp = bench.clamps?.[red]?.toLowerCase();
    return clamp === undefined ? undefined : { function: fn, red: '0', clamp };
  }
  if (METER_FUNCTIONS[fn].placing !== 'two' || black === undefined) return undefined;
  if (bench.nodes[red] === undefined || bench.nodes[black] === undefined) return undefined;
  return { function: fn, red: nodeAt(bench, red), black: nodeAt(bench, black) };
}

/** Elements opened so that an ammeter can be put in their place. */
export function breaksFor(
  bench: BenchModel,
  fn: MeterFunction,
  places: readonly (string | undefined)[],
): string[] {
  if (fn !== 'A=' && fn !== 'A~') return [];
  const found = places.flatMap((place) => (place && bench.breaks?.[place]) ?? []);
  return [...new Set(found)].map((element) => `open ${element.toLowerCase()}`);
}
