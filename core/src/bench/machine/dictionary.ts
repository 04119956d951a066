/**
 * The fault dictionary: what each fault makes every test read, over many machines built within their
 * tolerances. Outcome shares beside what the author wrote, and usable in its place.
 */
import { Type, type Static } from '@sinclair/typebox';
import { CoreError } from '../../errors';
import { allObservables, shownBy } from '../../sheet/observables';
import { type Observable } from '../../sheet/observable';
import type { Fault, Sheet } from '../../sheet/schema';
import { dice, draw, seedOf } from '../../numeric/dice';
import { meaningful } from './agreement';
import type { BenchedSheet, Specimen } from './machine';
import { readSpecimen } from './outcomes';
import { nth } from '../../numeric/nth';

const Name = Type.String({ minLength: 1, maxLength: 170 });
const sharesSchema = Type.Record(Name, Type.Number({ minimum: 0, maximum: 1 }));

export const dictionarySchema = Type.Object(
  {
    /** Machines drawn for each fault. */
    draws: Type.Integer({ minimum: 1, maximum: 1000 }),
    seed: Type.Integer({ minimum: 0, maximum: 4_294_967_295 }),
    /** By fault, then by observable. */
    faults: Type.Record(Name, Type.Record(Name, sharesSchema)),
    /** Faults whose circuit could not be solved, and why. */
    failed: Type.Record(Name, Type.String({ maxLength: 1000 })),
  },
  { $id: 'fault-dictionary', additionalProperties: false },
);
export type FaultDictionary = Static<typeof dictionarySchema>;

/** Outcome to share; shares of one observable sum to 1. */
export type Shares = Readonly<Record<string, number>>;

/** One machine to be drawn: a piece of work that can be done anywhere, in any order. */
export interface Draw {
  readonly fault: string;
  readonly index: number;
}

export const drawsOf = (sheet: BenchedSheet, draws: number): Draw[] =>
  sheet.faults
    .filter(({ id }) => sheet.bench.faults?.[id])
    .flatMap(({ id }) => Array.from({ length: draws }, (_, index) => ({ fault: id, index })));

/** @returns the machine that this draw stands for: one way of the fault, one set of tolerances. */
export function specimenOf(sheet: BenchedSheet, { fault, index }: Draw, seed: number): Specimen {
  const own = (seedOf(`${fault} ${index}`) ^ seed) >>> 0;
  const ways = sheet.bench.faults?.[fault] ?? [];
  const way = draw(
    ways.map(({ share = 1 }) => share),
    dice(own),
  );
  return { changes: nth(ways, way).changes.filter(Boolean), seed: own || 1 };
}

/** What one draw read: meaningful observables only. Or why it could not be solved. */
export type DrawResult = Draw &
  ({ readonly outcomes: Readonly<Record<string, string>> } | { readonly failed: string });

export function readDraw(sheet: BenchedSheet, each: Draw, seed: number): DrawResult {
  try {
    const { outcomes } = readSpecimen(sheet, specimenOf(sheet, each, seed));
    const means = meaningful(sheet, outcomes);
    return { ...each, outcomes: Object.fromEntries([...outcomes].filter(([id]) => means(id))) };
  } catch (error) {
    if (error instanceof CoreError) return { ...each, failed: error.message };
    throw error;
  }
}

/** Results of any order, put together. */
export function dictionaryFrom(
  results: readonly DrawResult[],
  draws: number,
  seed: number,
): FaultDictionary {
  const counts = new Map<string, Map<string, Map<string, number>>>();
  const failed: Record<string, string> = {};
  for (const result of results) {
    if ('failed' in result) {
      failed[result.fault] = result.failed;
      continue;
    }
    const byTest = getOr(counts, result.fault, () => new Map<string, Map<string, number>>());
    for (const [observable, outcome] of Object.entries(result.outcomes)) {
      const byOutcome = getOr(byTest, observable, () => new Map<string, number>());
      byOutcome.set(outcome, (byOutcome.get(outcome) ?? 0) + 1);
    }
  }
  const sorted = <V>(map: Map<string, V>) => [...map].sort(([a], [b]) => (a < b ? -1 : 1));
  return {
    draws,
    seed,
    failed,
    faults: Object.fromEntries(
      sorted(counts).map(([fault, byTest]) => [
        fault,
        Object.fromEntries(
          sorted(byTest).map(([observable, byOutcome]) => [observable, shares(byOutcome)]),
        ),
      ]),
    ),
  };
}

function getOr<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const known = map.get(key);
  if (known !== undefined) return known;
  const fresh = make();
  map.set(key, fresh);
  return fresh;
}

function shares(counts: ReadonlyMap<string, number>): Shares {
  const total = [...counts.values()].reduce((sum, n) => sum + n, 0);
  return Object.fromEntries(
    [...counts]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([outcome, n]) => [outcome, Number((n / total).toFixed(3))]),
  );
}

/** What the author wrote of a fault at an observable, as shares; silence is ok. */
export function writtenShares(fault: Fault, observable: Observable): Shares {
  const shown = shownBy(fault, observable) ?? 'ok';
  if (typeof shown === 'string') return { [shown]: 1 };
  const total = Object.values(shown).reduce((sum, share) => sum + share, 0);
  return Object.fromEntries(
    Object.entries(shown).map(([outcome, share]) => [outcome, total > 0 ? share / total : 0]),
  );
}

/** Total variation: 0 for the same shares, 1 for shares that have nothing in common. */
export function difference(a: Shares, b: Shares): number {
  const outcomes = new Set([...Object.keys(a), ...Object.keys(b)]);
  let sum = 0;
  for (const outcome of outcomes) sum += Math.abs((a[outcome] ?? 0) - (b[outcome] ?? 0));
  return sum / 2;
}

export interface DictionaryCell {
  readonly fault: string;
  readonly observable: string;
  readonly written: Shares;
  readonly computed: Shares;
  readonly difference: number;
}

/** Every cell that was computed, largest difference first. */
export function compareDictionary(sheet: Sheet, dictionary: FaultDictionary): DictionaryCell[] {
  const observables = allObservables(sheet);
  return sheet.faults
    .flatMap((fault) =>
      observables.flatMap((observable): DictionaryCell[] => {
        const computed = dictionary.faults[fault.id]?.[observable.id];
        if (!computed) return [];
        const written = writtenShares(fault, observable);
        return [
          {
            fault: fault.id,
            observable: observable.id,
            written,
            computed,
            difference: difference(written, computed),
          },
        ];
      }),
    )
    .sort((a, b) => b.difference - a.difference);
}

/**
 * The sheet with computed shares in place of what its author wrote.
 * @param cells - Which; a cell whose shares are all ok falls silent.
 */
export function adopt(sheet: Sheet, cells: readonly DictionaryCell[]): Sheet {
  const names = new Map(allObservables(sheet).map((each) => [each.id, each]));
  return {
    ...sheet,
    faults: sheet.faults.map((fault) => {
      const own = cells.filter((cell) => cell.fault === fault.id);
      if (own.length === 0) return fault;
      const shows = { ...fault.shows };
      for (const { observable, computed } of own) {
        const of = names.get(observable);
        if (!of) continue;
        const outcomes = Object.keys(computed);
        // An entry for the whole test would speak again where this one fell silent.
        const whole = of.rule === undefined && of.test !== of.id && shows[of.test] !== undefined;
        if (outcomes.length === 1 && outcomes[0] === 'ok' && !whole) delete shows[observable];
        else shows[observable] = outcomes.length === 1 ? nth(outcomes, 0) : { ...computed };
      }
      return { ...fault, shows };
    }),
  };
}
