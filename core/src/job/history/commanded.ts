/**
 * Commanded against actual, from what stands beside the entries of a history: the sheet says which column
 * is the command and which are its witnesses. Read off a print, with nobody there to see the probes: it is
 * shown and asks for a look, and is no evidence by itself.
 */
import type { Curve } from '../../curves/schema';
import { resolveExpectation } from '../../judge/given';
import { judge, type Judgement } from '../../judge/judge';
import { judgeTogether, pointsOf } from '../../judge/groups/index';
import { groupReading, type GroupReading } from '../../judge/groups/readings';
import { isSeries } from '../../judge/test-expectation';
import { expectOf } from '../../sheet/all-tests';
import { normaliseCode } from '../../sheet/codes/match';
import { findTest } from '../../sheet/lookup';
import { isMeasured, type CodeHistory, type MeasureTest, type Sheet } from '../../sheet/schema';
import { parseEntry } from '../../units/entry';
import type { ToldFault } from './episodes';

export interface CommandSeen {
  readonly test: MeasureTest;
  readonly judgement: Judgement;
}

type Compare = NonNullable<CodeHistory['compare']>[number];

/** @returns undefined where the sheet compares nothing there, or a figure is missing or cannot be read. */
export function commandSeen(sheet: Sheet, { row, unit }: ToldFault): CommandSeen | undefined {
  for (const compare of sheet.codes.history?.compare ?? []) {
    const own = compare.unit === undefined || sameUnit(compare.unit, unit);
    const test = own ? findTest(sheet, compare.test) : undefined;
    if (!test || !isMeasured(test)) continue;
    const rule = test.together?.find(({ kind }) => kind === 'witnesses');
    const points =
      rule &&
      pointsOf(
        rule,
        test.points.map(({ id }) => id),
      );
    const readings = points?.map((id) =>
      readingOf(test, id, compare, row.values ?? {}, sheet.curves ?? []),
    );
    if (rule && readings?.every((each) => each !== undefined))
      return { test, judgement: judgeTogether(rule, readings) };
  }
  return undefined;
}

const sameUnit = (one: string, other: string | undefined): boolean =>
  other !== undefined && normaliseCode(one) === normaliseCode(other);

function readingOf(
  test: MeasureTest,
  id: string,
  { columns }: Compare,
  values: Readonly<Record<string, string>>,
  curves: readonly Curve[],
): GroupReading | undefined {
  const heading = Object.keys(columns).find((each) => columns[each] === id);
  const point = test.points.find((each) => each.id === id);
  const printed = heading === undefined ? undefined : printedAs(values, heading);
  const wanted = point && expectOf(test, point);
  if (printed === undefined || !wanted || isSeries(wanted)) return undefined;
  const expect = resolveExpectation(wanted, undefined, curves);
  if (!expect) return undefined;
  const typed = parseEntry(printed, expect.unit);
  if (typed.kind !== 'value') return undefined;
  const reading = { kind: 'value', value: typed.value } as const;
  return groupReading(
    { id, unit: expect.unit, reading, judgement: judge({ expect, reading }) },
    {},
  );
}

/** A column headed `suction kPa` prints `suction`, in kPa where its cells say no unit. */
function printedAs(values: Readonly<Record<string, string>>, heading: string): string | undefined {
  const wanted = heading.toLowerCase();
  for (const [name, cell] of Object.entries(values)) {
    if (name.toLowerCase() === wanted) return cell;
    if (!name.toLowerCase().startsWith(`${wanted} `)) continue;
    const unit = name
      .slice(wanted.length)
      .replaceAll(/[()[\],]/g, '')
      .trim();
    return /[^\d\s.,+-]/.test(cell) ? cell : `${cell} ${unit}`;
  }
  return undefined;
}
