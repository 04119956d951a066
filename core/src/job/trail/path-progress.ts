/** A path with what was read on it in this job: which links are whole, where it may be broken, where to halve. */
import type { MeterFunction } from '../../meter/functions';
import { functionOf, testsOf } from '../../sheet/all-tests';
import {
  halvesOf,
  linksLeft,
  showsBreak,
  stretchOf,
  type FoundOnPath,
} from '../../sheet/path-links';
import { stopsOf, type PathStop } from '../../sheet/stops';
import { observableId } from '../../sheet/observables';
import { isMeasured, type Sheet, type SheetPath, type TestPoint } from '../../sheet/schema';
import type { JobState, TakenReading } from '../state/state';
import { isAsked, stepsOf, type Step } from './steps';

export type LinkState = 'whole' | 'suspect' | 'unknown';

export interface PathProgress {
  readonly path: SheetPath;
  readonly stops: readonly PathStop[];
  /** Between each stop and the next; one fewer than stops. */
  readonly links: readonly LinkState[];
  /** What was read there, by the place of the stop. */
  readonly readings: ReadonlyMap<number, readonly TakenReading[]>;
  /** What halves the links that are left best, and how many it leaves either way; absent where nothing would. */
  readonly next?: Step;
  readonly halves?: readonly [number, number];
}

export function pathProgress(sheet: Sheet, state: JobState, path: SheetPath): PathProgress {
  const stops = stopsOf(sheet, path);
  const readings = new Map<number, TakenReading[]>();
  const found: FoundOnPath[] = [];
  for (const taken of state.current.values()) {
    if (taken.kind !== 'reading' || taken.standing.kind !== 'counts') continue;
    const { red, black } = taken.point;
    const at = Math.max(...[red, black].map((ref) => stops.findIndex((stop) => stop.ref === ref)));
    if (at >= 0) readings.set(at, [...(readings.get(at) ?? []), taken]);
    const stretch = stretchOf(taken.point, stops, functionOf(taken.test, taken.point));
    const { verdict, outcome } = taken.judgement;
    if (!stretch) continue;
    if (verdict === 'in') found.push({ stretch, says: 'whole' });
    else if (verdict === 'out' && showsBreak(stretch, outcome))
      found.push({ stretch, says: 'broken' });
  }
  const { whole, left, broken } = linksLeft(stops.length - 1, found);
  return {
    path,
    stops,
    links: stops
      .slice(1)
      .map((_, link) =>
        whole.has(link) ? 'whole' : broken && left.has(link) ? 'suspect' : 'unknown',
      ),
    readings,
    ...halving(sheet, state, stops, left),
  };
}

/** The open step that leaves the fewest links whichever way it comes out. */
function halving(
  sheet: Sheet,
  state: JobState,
  stops: readonly PathStop[],
  left: ReadonlySet<number>,
): Pick<PathProgress, 'next' | 'halves'> {
  let best: { next: Step; halves: readonly [number, number] } | undefined;
  const points = pointsByObservable(sheet);
  for (const step of stepsOf(sheet)) {
    const { point, fn } = points.get(step.observable) ?? {};
    const open = !state.current.has(step.observable) && !state.skipped.has(step.observable);
    const stretch = point && fn && open && isAsked(state, step.test) && stretchOf(point, stops, fn);
    const halves = stretch && halvesOf(stretch, left);
    if (halves && (!best || Math.max(...halves) < Math.max(...best.halves)))
      best = { next: step, halves };
  }
  return best ?? {};
}

interface Placed {
  readonly point: TestPoint;
  readonly fn: MeterFunction;
}

const pointsByObservable = (sheet: Sheet): ReadonlyMap<string, Placed> =>
  new Map(
    testsOf(sheet).flatMap((test) =>
      isMeasured(test)
        ? test.points.map(
            (point) =>
              [observableId(test, point.id), { point, fn: functionOf(test, point) }] as const,
          )
        : [],
    ),
  );

/** Paths that one of the leads lies on. */
export const pathsTouched = (sheet: Sheet, point: TestPoint): readonly SheetPath[] =>
  (sheet.paths ?? []).filter(({ through }) =>
    [point.red, point.black].some((ref) => ref !== undefined && through.includes(ref)),
  );
