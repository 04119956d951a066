/**
 * An unknown connector, found pair by pair: the figures between its pins, held against what the sheet
 * expects between them, say which pin of the machine is which of the sheet's.
 */
import type { Reading } from '../../judge/reading';
import { functionOf } from '../../sheet/all-tests';
import { observableId } from '../../sheet/observables';
import { connectorOf, findConnector } from '../../sheet/places';
import type { MeasureTest, Sheet, TestPoint } from '../../sheet/schema';
import { twinFigure } from '../work/twins';
import type { JobState } from '../state/state';
import { judgeTaken } from './judge-taken';
import { ofPoint } from './limits';

/** What was read between two pins of the machine, either way round. */
export interface PairFigure {
  readonly pins: readonly [number, number];
  readonly reading: Reading;
}

export interface PinsFound {
  /** How many ways to pin it agree with every figure. */
  readonly ways: number;
  /** The sheet's pin to the machine's, of the way that moves fewest; undefined where none fits. */
  readonly at?: Readonly<Record<string, number>>;
  /** Pins of the sheet that could as well be at other places: what they carry reads the same. */
  readonly unsure: readonly number[];
  /** The pair to read next; undefined where nothing more can be told. */
  readonly next?: readonly [number, number];
}

/** More pins than this have more ways than anybody measures pairs. */
export const MOST_PINS_FOUND = 8;

/** Points of a test with both probes on one connector, whose figures do not hang on which way round. */
export const pairPointsOf = (test: MeasureTest, connector: string): readonly TestPoint[] =>
  test.points.filter(
    (point) =>
      functionOf(test, point) === 'ohm' &&
      connectorOf(point.red) === connector &&
      connectorOf(point.black) === connector,
  );

const pairKey = (a: number, b: number): string => `${Math.min(a, b)}-${Math.max(a, b)}`;
const pinOf = (ref: string): number => Number(ref.split('.').at(-1));

interface Wanted {
  readonly red: number;
  readonly black: number;
  /** Pairs that were read, and whether that is what this point should read. */
  readonly fits: ReadonlyMap<string, boolean>;
}

/** What the figures of a job are judged with. */
type Readings = Pick<JobState, 'meters' | 'meter' | 'lead' | 'given' | 'compared' | 'twins'>;

/** Which pin is which, as far as the figures tell. The pins are numbered as the sheet given has them. */
export function findPins(
  sheet: Sheet,
  test: MeasureTest,
  ref: string,
  figures: readonly PairFigure[],
  state: Readings,
): PinsFound {
  const places = findConnector(sheet, ref)?.pins.map(({ n }) => n) ?? [];
  const points = pairPointsOf(test, ref);
  if (places.length > MOST_PINS_FOUND || points.length === 0) return { ways: 0, unsure: [] };
  const wanted = points.map((point) => wantedOf(sheet, test, point, figures, state));
  const pins = [...new Set(wanted.flatMap(({ red, black }) => [red, black]))];
  const { whole, open } = waysToPin(pins, places, wanted);
  const fewest = whole.toSorted((a, b) => movesIn(a) - movesIn(b))[0];
  const next = likeliestPair(open, wanted, new Set(figures.map((each) => pairKey(...each.pins))));
  return {
    ways: whole.length,
    unsure: pins.filter((pin) => new Set(whole.map((way) => way.get(pin))).size > 1),
    ...(fewest && { at: completed(fewest, places) }),
    ...(next && { next }),
  };
}

function wantedOf(
  sheet: Sheet,
  test: MeasureTest,
  point: TestPoint,
  figures: readonly PairFigure[],
  state: Readings,
): Wanted {
  const judgedWith = {
    meters: state.meters,
    lead: state.lead ?? state.meter?.lead,
    given: ofPoint(state.given, test, point),
    twin: twinFigure(state, observableId(test, point.id)),
  };
  const fits = new Map(
    figures.map(({ pins, reading }) => {
      const verdict = judgeTaken(sheet, test, point, reading, judgedWith)?.verdict;
      return [pairKey(...pins), verdict === 'in' || verdict === 'watch'] as const;
    }),
  );
  return { red: pinOf(point.red!), black: pinOf(point.black!), fits };
}

type Way = ReadonlyMap<number, number>;

/** Every way that no figure speaks against: those whose pairs were all read, and those still open. */
function waysToPin(pins: readonly number[], places: readonly number[], wanted: readonly Wanted[]) {
  const whole: Way[] = [];
  const open: Way[] = [];
  const step = (way: Map<number, number>) => {
    const said = wanted.map((each) => fitIn(way, each));
    if (said.includes(false)) return;
    const pin = pins[way.size];
    if (pin === undefined) {
      (said.includes(undefined) ? open : whole).push(new Map(way));
      return;
    }
    const taken = new Set(way.values());
    for (const place of places) if (!taken.has(place)) step(new Map(way).set(pin, place));
  };
  step(new Map());
  return { whole, open };
}

function fitIn(way: Way, { red, black, fits }: Wanted): boolean | undefined {
  const [a, b] = [way.get(red), way.get(black)];
  return a === undefined || b === undefined ? undefined : fits.get(pairKey(a, b));
}

const movesIn = (way: Way): number => [...way].filter(([pin, place]) => pin !== place).length;

/** The unread pair on which most of the open ways hang. */
function likeliestPair(
  open: readonly Way[],
  wanted: readonly Wanted[],
  read: ReadonlySet<string>,
): readonly [number, number] | undefined {
  const counts = new Map<string, number>();
  for (const way of open)
    for (const { red, black } of wanted) {
      const key = pairKey(way.get(red)!, way.get(black)!);
      if (!read.has(key)) counts.set(key, (counts.get(key) ?? 0) + 1);
    }
  const [best] = [...counts].toSorted(([, a], [, b]) => b - a);
  if (!best) return undefined;
  const [a, b] = best[0].split('-').map(Number);
  return [a!, b!];
}

/** The pins that nothing is expected of stand where they are, or where there is room. */
function completed(way: Way, places: readonly number[]): Readonly<Record<string, number>> {
  const taken = new Set(way.values());
  const free = places.filter((place) => !taken.has(place));
  const all = new Map(way);
  const left = places.filter((pin) => !way.has(pin));
  for (const pin of left)
    if (free.includes(pin)) all.set(pin, free.splice(free.indexOf(pin), 1)[0]!);
  for (const pin of left) if (!all.has(pin)) all.set(pin, free.shift()!);
  return Object.fromEntries([...all].filter(([pin, place]) => pin !== place));
}
