/**
 * What a pin table suggests beyond its rows: the mains feed what else is live, and a signal of one name on
 * two plugs goes from one to the other. Proposals, which the technician corrects.
 */
import type { Connector, Harness, MeasureTest, SheetPath } from '../sheet/schema';
import { slug } from './propose';

/** From so many volts AC on it is the mains. */
const MAINS = 90;

/** Every live test hangs on the mains, where the table has them. */
export function withFeeders(
  tests: readonly MeasureTest[],
  isLive: (test: MeasureTest) => boolean,
): MeasureTest[] {
  const mains = tests.find(
    ({ function: fn, expect }) => fn === 'V~' && expect.kind === 'nominal' && expect.value >= MAINS,
  );
  return tests.map((test) =>
    mains && test !== mains && isLive(test) ? { ...test, fedBy: [mains.id] } : test,
  );
}

/** Common to many pins: no signal that goes anywhere. */
const COMMON = /^(gnd|ground|0 ?v|n|l|com|common|return|earth|pe|free|nc|\+|-|−)$/i;

export interface Links {
  readonly harnesses: readonly Harness[];
  readonly paths: readonly SheetPath[];
}

/** Signals that two plugs of the board name alike. */
export function linksOf(connectors: readonly Connector[]): Links {
  const pins = connectors.flatMap((plug) =>
    plug.pins.flatMap(({ n, signal }) =>
      signal === undefined || COMMON.test(signal.trim()) || /^\d/.test(signal)
        ? []
        : [{ plug: plug.id, n, signal: signal.trim() }],
    ),
  );
  const bySignal = new Map<string, typeof pins>();
  for (const pin of pins) {
    const key = pin.signal.toLowerCase();
    bySignal.set(key, [...(bySignal.get(key) ?? []), pin]);
  }
  const harnesses = new Map<string, Harness>();
  const paths: SheetPath[] = [];
  for (const [from, to, ...more] of bySignal.values()) {
    if (!from || !to || more.length > 0 || from.plug === to.plug) continue;
    const id = slug(`cable-${from.plug}-${to.plug}`);
    harnesses.set(id, {
      id,
      name: `Cable ${from.plug} to ${to.plug}`,
      joins: [`board.${from.plug}`, `board.${to.plug}`],
    });
    paths.push({
      id: slug(`path-${from.signal}`),
      carries: from.signal,
      through: [`board.${from.plug}.${from.n}`, id, `board.${to.plug}.${to.n}`],
    });
  }
  return { harnesses: [...harnesses.values()], paths };
}
