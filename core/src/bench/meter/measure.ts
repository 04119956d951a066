/**
 * A reading of the bench when everything has settled: the instrument is put into the circuit, the
 * circuit is solved, and what its input sees is shown. Nothing is looked up: ghost voltages, loading and
 * parallel paths come out of the solution.
 */
import { InvalidInputError, UnknownReferenceError } from '../../errors';
import { METER_FUNCTIONS } from '../../meter/functions';
import { type MeterProfile, rangesOf } from '../../meter/profile';
import { type Circuit } from '../circuit';
import { GROUND } from '../elements/element';
import { allNodesOf } from '../elements/index';
import { quieted } from '../solve/quieted';
import { steadyState } from '../solve/steady';
import { BENCH_METER, DRIVES } from './bench-meter';
import { DrivenMeter } from './driven';
import { ampsInput, inputOf, isAmps, seenBy, withInput } from './input';
import { onJack } from './jacks';
import { touchedBy, type Probing } from './probing';
import { AIR, shown, type Indication, type MeasureOptions } from './shown';
import { nth } from '../../numeric/nth';

/**
 * @throws {UnknownReferenceError} for a node or element that the circuit does not have.
 * @throws {InvalidInputError} for a function that the meter does not have.
 * @throws {CoreError} where the circuit cannot be solved.
 */
export const measure = (
  circuit: Circuit,
  probing: Probing,
  options: MeasureOptions = {},
): Indication => nth(measureAll(circuit, [probing], options), 0);

/** Many readings on one circuit, in their order; what drives it shares one meter. */
export function measureAll(
  drawn: Circuit,
  probings: readonly Probing[],
  options: MeasureOptions = {},
): Indication[] {
  if (probings.length === 0) return [];
  const known = placesOf(drawn);
  for (const each of probings) checkPlaces(known, each, options.meter ?? BENCH_METER);
  const circuit = quieted(drawn, probings.flatMap(touchedBy));
  const driven = probings.filter((each) => DRIVES.has(each.function));
  const places = driven.map(({ red, black }) => ({ red, black: black! }));
  const meter = driven.length > 0 ? new DrivenMeter(circuit, places, options) : undefined;
  return probings.map((each) =>
    DRIVES.has(each.function)
      ? meter!.read({ ...each, black: each.black! })
      : passive(circuit, each, options),
  );
}

interface Places {
  readonly nodes: ReadonlySet<string>;
  readonly elements: ReadonlySet<string>;
}

export const placesOf = ({ elements }: Circuit): Places => ({
  nodes: allNodesOf(elements).add(GROUND),
  elements: new Set(elements.map(({ name }) => name)),
});

export function checkPlaces(known: Places, probing: Probing, meter: MeterProfile): void {
  const fn = probing.function;
  const facts = METER_FUNCTIONS[fn];
  if (!facts) throw new InvalidInputError(`“${String(fn)}” is no function of a meter`);
  if (facts.metered && rangesOf(meter, fn).length === 0)
    throw new InvalidInputError(`“${meter.name}” has no ${facts.words} function`);
  const need = (node: string | undefined, what: string) => {
    if (node === undefined) throw new InvalidInputError(`${what} is on nothing`);
    if (!known.nodes.has(node))
      throw new UnknownReferenceError(`there is no node “${node}” under ${what}`);
  };
  if (fn === 'clamp=' || fn === 'clamp~') {
    if (!known.elements.has(probing.clamp ?? ''))
      throw new UnknownReferenceError(`there is no element “${probing.clamp ?? ''}” for the clamp`);
    return;
  }
  need(probing.red, 'the red probe');
  if (facts.placing === 'two') need(probing.black, 'the black probe');
}

function passive(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const { meter = BENCH_METER, air = AIR, at = 0, near } = options;
  if (isAmps(probing.function)) return amps(circuit, probing, options);
  const input = inputOf(circuit, probing, meter);
  const { values, settled } = steadyState(withInput(circuit, input), [input.looksAt], {
    air,
    at,
    near,
  });
  const seen = seenBy(probing.function, nth(values, 0));
  return shown(probing.function, seen, options, settled ? [] : ['unsteady']);
}

/** In series, on the finest jack that bears it. */
function amps(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const { air = AIR, at = 0, near } = options;
  return onJack(probing.function, options, (ohms) => {
    // What would flow: whether the fuse bears it is seen from that.
    const input = ampsInput(probing, ohms);
    const { values, settled } = steadyState(withInput(circuit, input), [input.looksAt], {
      air,
      at,
      near,
    });
    const found = nth(values, 0);
    return {
      most: Math.hypot(found.mean, found.rms),
      shows: () =>
        shown(
          probing.function,
          seenBy(probing.function, found),
          options,
          settled ? [] : ['unsteady'],
        ),
    };
  });
}
