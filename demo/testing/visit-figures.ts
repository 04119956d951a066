/** Visits of several policies beside each other: means, ratios with their intervals, and a table to print. */
import type { Sheet } from '@jeitinho/core/sheet';
import { playVisit, type Policy, type Visit } from './simulated-visits';

const POLICIES = ['order', 'order by state', 'balanced'] as const satisfies readonly Policy[];
type Compared = (typeof POLICIES)[number];

/** Of one policy, per visit. */
export interface PolicyFigures {
  readonly seekingMinutes: number;
  readonly wrongParts: number;
  readonly lostHandOvers: number;
  readonly hazardMinutes: number;
}

/** Seeking minutes by what is worth most ÷ those of another policy. */
export interface RatioFigures {
  readonly ratio: number;
  /** 95 % of repeats of all these visits would lie within. */
  readonly from: number;
  readonly to: number;
}

export interface SheetFigures {
  readonly sheet: string;
  readonly visits: number;
  readonly policies: Readonly<Record<Compared, PolicyFigures>>;
  readonly toOrder: RatioFigures;
  readonly toOrderByState: RatioFigures;
}

/** @param visits - For each sheet; the same machines and dice for every policy. */
export function visitFigures(sheets: readonly Sheet[], visits: number): SheetFigures[] {
  const played = sheets.map((sheet) => ({
    sheet: sheet.id,
    by: Object.fromEntries(
      POLICIES.map((policy) => [
        policy,
        Array.from({ length: visits }, (_, k) => playVisit(sheet, policy, (k + 1) * 7919)),
      ]),
    ) as Record<Compared, Visit[]>,
  }));
  const pooled = Object.fromEntries(
    POLICIES.map((policy) => [policy, played.flatMap(({ by }) => by[policy])]),
  ) as Record<Compared, Visit[]>;
  return [...played, { sheet: 'pooled', by: pooled }].map(({ sheet, by }) => ({
    sheet,
    visits: by.balanced.length,
    policies: {
      order: figuresOf(by.order),
      'order by state': figuresOf(by['order by state']),
      balanced: figuresOf(by.balanced),
    },
    toOrder: ratioOf(by.balanced, by.order),
    toOrderByState: ratioOf(by.balanced, by['order by state']),
  }));
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, each) => sum + each, 0) / values.length;
const rounded = (value: number): number => Number(value.toFixed(3));

const figuresOf = (visits: readonly Visit[]): PolicyFigures => ({
  seekingMinutes: rounded(mean(visits.map(({ seeking }) => seeking))),
  wrongParts: rounded(mean(visits.map(({ wrongParts }) => wrongParts))),
  lostHandOvers: rounded(mean(visits.map(({ lost }) => (lost ? 1 : 0)))),
  hazardMinutes: rounded(mean(visits.map(({ hazard }) => hazard))),
});

/** A ratio of means of paired visits, its error by the delta method. */
function ratioOf(ours: readonly Visit[], theirs: readonly Visit[]): RatioFigures {
  const below = mean(theirs.map(({ seeking }) => seeking));
  const ratio = mean(ours.map(({ seeking }) => seeking)) / below;
  const rest = ours.map(({ seeking }, i) => seeking - ratio * theirs[i]!.seeking);
  const middle = mean(rest);
  const variance = mean(rest.map((each) => (each - middle) ** 2));
  const half = (1.96 * Math.sqrt(variance / rest.length)) / below;
  return { ratio: rounded(ratio), from: rounded(ratio - half), to: rounded(ratio + half) };
}

/** As Markdown: a row for each sheet, the pooled ones last. */
export function visitTable(rows: readonly SheetFigures[]): string {
  const ratio = ({ ratio: r, from, to }: RatioFigures) =>
    `${r.toFixed(2)} (${from.toFixed(2)} to ${to.toFixed(2)})`;
  const three = (of: (figures: PolicyFigures) => number, digits: number) => (row: SheetFigures) =>
    POLICIES.map((policy) => of(row.policies[policy]).toFixed(digits)).join(' / ');
  const minutes = three(({ seekingMinutes }) => seekingMinutes, 0);
  const wrong = three(({ wrongParts }) => wrongParts, 2);
  const lost = three(({ lostHandOvers }) => lostHandOvers, 2);
  const hazard = three(({ hazardMinutes }) => hazardMinutes, 1);
  return [
    '| sheet | seeking minutes | of the order | of the order by state | wrong parts | lost | hazard minutes |',
    '|---|---|---|---|---|---|---|',
    ...rows.map(
      (row) =>
        `| ${row.sheet} | ${minutes(row)} | ${ratio(row.toOrder)} | ${ratio(row.toOrderByState)} | ${wrong(row)} | ${lost(row)} | ${hazard(row)} |`,
    ),
  ].join('\n');
}

const SCHOOLS = [
  'balanced',
  'likeliest',
  'power-path',
  'half-split',
  'quick',
] as const satisfies readonly Policy[];

/** Of one school: its own figures, and its seeking minutes ÷ those of the balanced way. */
export interface SchoolFigures extends PolicyFigures {
  readonly school: (typeof SCHOOLS)[number];
  readonly visits: number;
  readonly toBalanced: RatioFigures;
  /** Sheets on which it takes fewer minutes than the balanced way. */
  readonly shorterOn: readonly string[];
}

/** The schools of the trade beside each other, all sheets pooled. @param visits - For each sheet. */
export function schoolFigures(sheets: readonly Sheet[], visits: number): SchoolFigures[] {
  const played = SCHOOLS.map((school) => ({
    school,
    by: sheets.map((sheet) =>
      Array.from({ length: visits }, (_, k) => playVisit(sheet, school, (k + 1) * 7919)),
    ),
  }));
  const balanced = played[0]!.by;
  const minutes = (each: readonly Visit[]) => mean(each.map(({ seeking }) => seeking));
  return played.map(({ school, by }) => ({
    school,
    visits: by.flat().length,
    ...figuresOf(by.flat()),
    toBalanced: ratioOf(by.flat(), balanced.flat()),
    shorterOn: sheets.flatMap(({ id }, i) => (minutes(by[i]!) < minutes(balanced[i]!) ? [id] : [])),
  }));
}

/** As Markdown: a row for each school. */
export const schoolTable = (rows: readonly SchoolFigures[]): string =>
  [
    '| school | seeking minutes | of the balanced way | wrong parts | lost | hazard minutes | shorter on |',
    '|---|---|---|---|---|---|---|',
    ...rows.map(
      ({
        school,
        seekingMinutes,
        toBalanced,
        wrongParts,
        lostHandOvers,
        hazardMinutes,
        shorterOn,
      }) =>
        `| ${[
          school,
          seekingMinutes.toFixed(1),
          `${toBalanced.ratio.toFixed(2)} (${toBalanced.from.toFixed(2)} to ${toBalanced.to.toFixed(2)})`,
          wrongParts.toFixed(2),
          lostHandOvers.toFixed(2),
          hazardMinutes.toFixed(1),
          shorterOn.join(', ') || 'none',
        ].join(' | ')} |`,
    ),
  ].join('\n');
