/**
 * A thousand closed jobs whose faults are drawn by other odds than their sheets have: what learning from them does to
 * the odds, and to how right the advice is on the next thousand.
 */
import { dice } from '@jeitinho/core';
import {
  bandsOf,
  calibrationOf,
  familyOdds,
  infer,
  modelOf,
  seldomProven,
  type Calibration,
  type CalibrationBand,
} from '@jeitinho/core/diagnose';
import { faultsOn } from '@jeitinho/core/job';
import { withOdds, type Sheet } from '@jeitinho/core/sheet';
import { playVisit, type Visit } from './simulated-visits';

/** How far the shop's own odds are from the sheet's: ln of each weight moves by so much, one standard deviation. */
const APART = 1;

export interface LearningFigures {
  readonly jobs: number;
  readonly proven: number;
  /** Mean over the sheets of Σ|share − drawn| ÷ 2: 0 is the same, 1 has nothing in common. */
  readonly distance: { readonly sheets: number; readonly learnt: number };
  /** Of drawn shares, how many lie within the learnt 90 % intervals. */
  readonly within: number;
  readonly before: Calibration;
  readonly after: Calibration;
  readonly bands: {
    readonly before: readonly CalibrationBand[];
    readonly after: readonly CalibrationBand[];
  };
}

/** @param jobs - All in all, in equal parts to the sheets. */
export function learningFigures(sheets: readonly Sheet[], jobs: number): LearningFigures {
  const each = Math.ceil(jobs / sheets.length);
  const shops = sheets.map((sheet, i) => {
    const truth = otherOdds(sheet, i + 1);
    const first = playAll(sheet, truth, each, 1);
    const lessons = first.flatMap((visit) => lessonOf(sheet, visit));
    const seldom = seldomProven(
      first.flatMap(({ told: { said, proven } }) => (said ? [{ part: said.part, proven }] : [])),
    );
    const aside = new Set(seldom.flatMap(({ part }) => faultsOn(sheet, part).map(({ id }) => id)));
    const odds = familyOdds(sheet, lessons, aside);
    const shares = Object.fromEntries(odds.faults.map(({ fault, share }) => [fault, share]));
    const weighed = withOdds(sheet, { shares });
    // The same machines again: once read with the sheet's odds, once with the learnt ones.
    const again = [sheet, weighed].map((read) => playAll(read, truth, each, 2));
    return { sheet, truth, odds, proven: lessons.length, again };
  });
  const forecasts = (which: 0 | 1) =>
    bandsOf(
      shops.flatMap(({ sheet, again }) => again[which]!.flatMap((v) => forecastOf(sheet, v))),
    );
  const [before, after] = [forecasts(0), forecasts(1)];
  const mean = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + value, 0) / values.length;
  const inside = shops.flatMap(({ truth, odds }) => {
    const drawn = sharesOf(truth);
    return odds.faults.flatMap(({ interval: [low, high], aside }, f) =>
      aside === true ? [] : [drawn[f]! >= low && drawn[f]! <= high],
    );
  });
  return {
    jobs: each * sheets.length,
    proven: shops.reduce((sum, { proven }) => sum + proven, 0),
    distance: {
      sheets: mean(shops.map(({ sheet, truth }) => apart(sharesOf(sheet), sharesOf(truth)))),
      learnt: mean(
        shops.map(({ truth, odds }) =>
          apart(
            odds.faults.map(({ share }) => share),
            sharesOf(truth),
          ),
        ),
      ),
    },
    within: mean(inside.map(Number)),
    before: calibrationOf(before)!,
    after: calibrationOf(after)!,
    bands: { before, after },
  };
}

const sharesOf = ({ faults }: Sheet): number[] => {
  const all = faults.reduce((sum, { prior }) => sum + prior, 0);
  return faults.map(({ prior }) => prior / all);
};

const apart = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, share, i) => sum + Math.abs(share - b[i]!), 0) / 2;

/** By Box and Müller, from the seed. */
function otherOdds(sheet: Sheet, seed: number): Sheet {
  const roll = dice(seed * 104_729);
  const normal = () => Math.sqrt(-2 * Math.log(1 - roll())) * Math.cos(2 * Math.PI * roll());
  return {
    ...sheet,
    faults: sheet.faults.map((fault) => ({
      ...fault,
      prior: fault.prior * Math.exp(APART * normal()),
    })),
  };
}

const playAll = (sheet: Sheet, truth: Sheet, count: number, round: number): Visit[] =>
  Array.from({ length: count }, (_, k) =>
    playVisit(sheet, 'balanced', (k + 1) * 7919 + round * 15_485_863, truth),
  );

/** As a closed job teaches it: nobody tells what was wrong, only what is believed once it was proven. */
function lessonOf(sheet: Sheet, { told }: Visit) {
  if (!told.proven) return [];
  const { belief } = infer(modelOf(sheet), told.evidence);
  const cured = told.fitted.flatMap((part) => faultsOn(sheet, part).map(({ id }) => id));
  return [
    { proven: true, faults: Object.fromEntries(cured.map((id) => [id, belief.faults[id] ?? 0])) },
  ];
}

/** What was said, held against what was wrong: here it is known, whether it was proven or not. */
function forecastOf(sheet: Sheet, { told: { said, faults } }: Visit) {
  if (!said) return [];
  const right = faultsOn(sheet, said.part).some(({ id }) => faults.includes(id));
  return [{ p: said.p, right }];
}
