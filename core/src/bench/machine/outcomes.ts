/**
 * What a specimen reads at every test of its sheet, judged as the sheet judges. Readings of volts and
 * clamps in one situation come out of one solution; what drives the circuit is solved by itself.
 */
import { groupReading } from '../../judge/groups/readings';
import { judgeTogether, type TogetherRule } from '../../judge/groups/index';
import { outsOf } from '../../conditions/wants';
import { resolveExpectation } from '../../judge/given';
import { judge, type Judgement } from '../../judge/judge';
import { type Reading } from '../../judge/reading';
import { judgeSeries, secondsOf, type SeriesExpectation } from '../../judge/series/index';
import { OVER_OHMS, type Sample } from '../../judge/series/samples';
import { isSeries } from '../../judge/test-expectation';
import { accuracyAt } from '../../meter/profile';
import { expectOf, functionOf, testsOf } from '../../sheet/all-tests';
import { observableId, overPoints, rulePoints } from '../../sheet/observables';
import { isMeasured, type MeasureTest, type TestPoint } from '../../sheet/schema';
import { changed } from '../changes';
import type { Circuit } from '../circuit';
import { GROUND } from '../elements/element';
import { dice } from '../../numeric/dice';
import { BENCH_METER } from '../meter/bench-meter';
import { seenBy } from '../meter/input';
import { measure, measureAll } from '../meter/measure';
import { touchedBy, type Probing } from '../meter/probing';
import { AIR, figureOf } from '../meter/shown';
import { chargedAs } from '../meter/charged-as';
import { track } from '../meter/track';
import type { Rest } from '../solve/foresight';
import { type Quantity } from '../solve/quantity';
import { quieted } from '../solve/quieted';
import { rhythmOf } from '../solve/rhythm';
import { steadyState } from '../solve/steady';
import { nearFor } from './at-rest';
import {
  build,
  flickers,
  inSituation,
  situationChanges,
  withNeeds,
  type BenchedSheet,
  type Situation,
  type Specimen,
} from './machine';
import { breaksFor, probingOf } from './probing';
import { nth } from '../../numeric/nth';

export interface BenchReading {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly observable: string;
  /** Absent for a series. */
  readonly reading?: Reading;
  readonly samples?: readonly Sample[];
  readonly judgement: Judgement;
}

/** What is asked of a test beyond its points: the label or the thermometer. */
export function givenFor(
  sheet: BenchedSheet,
  test: MeasureTest,
  point: TestPoint,
  circuit: Circuit,
) {
  const { given } = sheet.bench;
  const known = given?.[observableId(test, point.id)] ?? given?.[test.id];
  if (typeof known !== 'string') return known;
  return levelAtRest(circuit, known.toLowerCase());
}

/** Volts of a node. A thermometer's stands by itself, a source to ground; anything else is solved for. */
function levelAtRest(circuit: Circuit, node: string): number {
  for (const element of circuit.elements)
    if (
      element.kind === 'voltage' &&
      element.wave.kind === 'dc' &&
      element.nodes[0] === node &&
      element.nodes[1] === GROUND
    )
      return element.wave.value;
  const quantity: Quantity = { kind: 'volts', plus: node, minus: GROUND };
  return nth(steadyState(circuit, [quantity], { air: AIR }).values, 0).mean;
}

interface Asked {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly probing: Probing;
  readonly situation: Situation;
  readonly extra: readonly string[];
}

/** Every point that the bench can be asked about. */
export function askedOf(sheet: BenchedSheet, only?: ReadonlySet<string>): Asked[] {
  return testsOf(sheet).flatMap((test) => {
    if (!isMeasured(test) || (only && !only.has(test.id))) return [];
    return test.points.flatMap((point): Asked[] => {
      const probing = probingOf(sheet.bench, test, point);
      if (!probing) return [];
      const { phase } = point;
      return [
        {
          test,
          point,
          probing,
          extra: breaksFor(sheet.bench, functionOf(test, point), [point.red, point.black]),
          situation: {
            state: test.state,
            access: withNeeds(sheet, outsOf(test)),
            observable: observableId(test, point.id),
            ...(phase !== undefined && { phase }),
          },
        },
      ];
    });
  });
}

/** Readings and rules of one specimen, by observable. */
export interface BenchOutcomes {
  readonly readings: readonly BenchReading[];
  readonly outcomes: ReadonlyMap<string, string>;
}

/**
 * @param only - Tests to read; all where absent.
 * @throws {CoreError} where a circuit cannot be solved.
 */
export function readSpecimen(
  sheet: BenchedSheet,
  specimen: Specimen,
  only?: ReadonlySet<string>,
): BenchOutcomes {
  const make = build(sheet, specimen);
  const roll = dice(specimen.seed ^ 0x5eed);
  const own = make(roll);
  const again = flickers(specimen) ? () => make(roll) : () => own;
  const groups = new Map<string, { circuit: Circuit; asked: Asked[] }>();
  for (const each of askedOf(sheet, only)) {
    const key = [...situationChanges(sheet.bench, each.situation), ...each.extra].join('\n');
    const group = groups.get(key);
    if (group) group.asked.push(each);
    else {
      const circuit = changed(inSituation(sheet, own, each.situation), each.extra);
      groups.set(key, { circuit, asked: [each] });
    }
  }
  const readings = [...groups].flatMap(([key, { circuit, asked }]) => {
    const { situation, extra } = nth(asked, 0);
    const near = nearFor(sheet.bench, key, specimen, (built) =>
      changed(inSituation(sheet, built, situation), extra),
    );
    return readGroup(sheet, circuit, asked, again, near);
  });
  const outcomes = new Map(
    readings.map(({ observable, judgement }) => [observable, settledOutcome(judgement)]),
  );
  for (const [observable, outcome] of togetherOutcomes(sheet, readings))
    outcomes.set(observable, outcome);
  return { readings, outcomes };
}

/** A series too short to be judged has no outcome of the sheet's; it must not pass for a good one. */
const settledOutcome = ({ verdict, outcome }: Judgement) =>
  verdict === 'not-settled' ? 'not-settled' : outcome;

/** Functions whose reading leaves the circuit nearly as it is: all of a situation in one solution. */
const SHARED: ReadonlySet<string> = new Set([
  'V=',
  'V~',
  'Hz',
  'clamp=',
  'clamp~',
  'temperature',
  'pressure',
  'display',
]);

/** Up to here the converter of AC volts passes everything, and many share one solution without it. */
const UNFILTERED_HERTZ = 200;

function readGroup(
  sheet: BenchedSheet,
  circuit: Circuit,
  asked: readonly Asked[],
  again: () => Circuit,
  near: Rest | undefined,
): BenchReading[] {
  const series = asked.filter(({ test, point }) => isSeries(expectOf(test, point)));
  const plain = asked.filter((each) => !series.includes(each));
  const fastest = rhythmOf(circuit)?.hertz.at(-1) ?? 0;
  const together = plain.filter(
    ({ probing }) =>
      SHARED.has(probing.function) && !(probing.function === 'V~' && fastest > UNFILTERED_HERTZ),
  );
  const single = plain.filter((each) => !together.includes(each));
  const shared = sharedReadings(circuit, together, near);
  const alone = measureAll(
    circuit,
    single.map(({ probing }) => probing),
  );
  return [
    ...together.map((each, i) => judged(sheet, circuit, each, nth(shared, i))),
    ...single.map((each, i) => judged(sheet, circuit, each, nth(alone, i).value)),
    ...series.map((each) => overTime(sheet, circuit, each, again)),
  ];
}

function sharedReadings(
  circuit: Circuit,
  asked: readonly Asked[],
  near: Rest | undefined,
): (number | null)[] {
  if (asked.length === 0) return [];
  const quantities = asked.map(({ probing }): Quantity =>
    probing.clamp === undefined
      ? { kind: 'volts', plus: probing.red, minus: probing.black ?? '0' }
      : { kind: 'amps', element: probing.clamp },
  );
  const burdens = asked.flatMap(({ probing }, i) =>
    probing.black === undefined
      ? []
      : [
          {
            kind: 'resistor' as const,
            name: `meter#${i}`,
            nodes: [probing.red, probing.black] as const,
            ohms: 10e6,
          },
        ],
  );
  const still = quieted(
    circuit,
    asked.flatMap(({ probing }) => touchedBy(probing)),
  );
  const loaded = { ...still, elements: [...still.elements, ...burdens] };
  const { values } = steadyState(loaded, quantities, { air: AIR, near });
  return asked.map(({ probing }, i) => {
    return figureOf(probing.function, seenBy(probing.function, nth(values, i)));
  });
}

function judged(
  sheet: BenchedSheet,
  circuit: Circuit,
  { test, point }: Asked,
  value: number | null,
): BenchReading {
  const reading: Reading = value === null ? { kind: 'overload' } : { kind: 'value', value };
  const fn = functionOf(test, point);
  const wanted = expectOf(test, point);
  const given = isSeries(wanted) ? undefined : givenFor(sheet, test, point, circuit);
  const expect = isSeries(wanted)
    ? undefined
    : resolveExpectation(wanted, given, sheet.curves ?? []);
  if (!expect) throw new Error(`bench: nothing is given for the limits of ${test.id}`);
  const accuracy = value === null ? undefined : accuracyAt(BENCH_METER, fn, value);
  return {
    test,
    point,
    observable: observableId(test, point.id),
    reading,
    judgement: judge({ expect, reading, function: fn, ...(accuracy && { meter: accuracy }) }),
  };
}

function overTime(
  sheet: BenchedSheet,
  circuit: Circuit,
  asked: Asked,
  again: () => Circuit,
): BenchReading {
  const { test, point } = asked;
  const expect = expectOf(test, point) as SeriesExpectation;
  const samples = samplesFor(sheet, circuit, asked, expect, again);
  const { event } = sheet.bench.series?.[test.id] ?? {};
  return {
    test,
    point,
    observable: observableId(test, point.id),
    samples,
    judgement: judgeSeries(expect, { samples, ...(event !== undefined && { event }) }),
  };
}

/** How many figures a series is sampled with, at most. */
const MOST_SAMPLES = 60;
const FLEXES = 12;

function samplesFor(
  sheet: BenchedSheet,
  circuit: Circuit,
  { test, probing, situation, extra }: Asked,
  expect: SeriesExpectation,
  again: () => Circuit,
): Sample[] {
  if (expect.kind === 'flexed')
    return flexed(
      again,
      (moved) =>
        measure(changed(inSituation(sheet, moved, situation), extra), probing).value ?? OVER_OHMS,
    );
  const {
    driver,
    after,
    event,
    charged,
    seconds: watched = 0,
  } = sheet.bench.series?.[test.id] ?? {};
  const seconds = Math.max(
    watched,
    secondsOf(expect),
    event === undefined ? 0 : event + 10,
    expect.kind === 'within' ? (event ?? 0) + expect.after[1] + 5 : 0,
  );
  const start =
    after === undefined
      ? { circuit, start: charged ? ('initial' as const) : ('rest' as const) }
      : {
          circuit: chargedAs(
            circuit,
            inSituation(sheet, again(), { ...situation, state: after, observable: undefined }),
          ),
          start: 'initial' as const,
        };
  const every = Math.max(0.5, (seconds + 1) / MOST_SAMPLES);
  const { updates } = track(start.circuit, probing, {
    seconds: seconds + 3 * every,
    every,
    start: start.start,
  });
  const driven =
    driver === undefined
      ? undefined
      : track(
          circuit,
          { function: 'display', red: driver.toLowerCase() },
          { seconds: seconds + 3 * every, every },
        ).updates;
  // The first update of a display is still on its way.
  return updates.slice(1).map(({ t, value }, i) => ({
    t: t - every,
    value: value ?? OVER_OHMS,
    ...(driven && { driver: nth(driven, i + 1).value ?? 0 }),
  }));
}

/** Read at every flex; one that changed nothing reads what the same circuit read before. */
function flexed(again: () => Circuit, read: (moved: Circuit) => number): Sample[] {
  const known = new Map<string, number>();
  let last: { readonly circuit: Circuit; readonly value: number } | undefined;
  return Array.from({ length: FLEXES }, (_, t) => {
    const circuit = again();
    if (last?.circuit === circuit) return { t, value: last.value };
    const key = JSON.stringify(circuit.elements);
    const value = known.get(key) ?? read(circuit);
    known.set(key, value);
    last = { circuit, value };
    return { t, value };
  });
}

function* togetherOutcomes(
  sheet: BenchedSheet,
  readings: readonly BenchReading[],
): Generator<[string, string]> {
  const read = new Map(readings.map((each) => [each.observable, each]));
  const outcome = (
    rule: TogetherRule,
    names: readonly string[],
    observable: (name: string) => string,
  ): string | undefined => {
    const group = names.flatMap((name) => {
      const found = read.get(observable(name));
      if (!found?.reading) return [];
      const { test, point, reading, judgement } = found;
      return [
        groupReading({ id: name, unit: expectOf(test, point).unit, reading, judgement }, point),
      ];
    });
    return group.length === names.length ? judgeTogether(rule, group).outcome : undefined;
  };
  for (const test of new Set(readings.map((each) => each.test)))
    for (const rule of test.together ?? []) {
      const found = outcome(rule, rulePoints(test, rule), (id) => observableId(test, id));
      if (found !== undefined) yield [`${test.id}@${rule.id}`, found];
    }
  for (const rule of sheet.rules ?? []) {
    const found = outcome(rule, overPoints(rule), (id) => id);
    if (found !== undefined) yield [rule.id, found];
  }
}
