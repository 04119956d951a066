/**
 * Faults that a bare pin table suggests: for each pair that gives something, the board behind the
 * connector; for each pair that goes to a load or sensor, that part; the harness between; and the supply
 * upstream. Proposals, which the technician corrects.
 */
import type { Fault, Part } from '../sheet/schema';
import { outcomesOf } from '../judge/test-expectation';
import type { QuickRow } from './rows';
import { nth } from '../numeric/nth';

export interface QuickTest {
  readonly id: string;
  readonly point: string;
  readonly observable: string;
  readonly row: QuickRow;
}

export interface Proposal {
  readonly parts: readonly Part[];
  readonly faults: readonly Fault[];
}

/** Whether a row looks outwards, at a load or sensor, and not at what the board gives. */
export const looksOutwards = ({ function: fn }: QuickRow): boolean =>
  fn === 'ohm' ||
  fn === 'continuity' ||
  fn === 'capacitance' ||
  fn === 'insulation' ||
  fn === 'temperature';

type Weights = Readonly<Record<string, number>>;

/** Equal shares over the bad outcomes that a row can have, `none` and `open` heavier. */
function bad({ expect, function: fn }: QuickRow, weights: Weights) {
  const outcomes = outcomesOf(expect, fn, []).filter((each) => each !== 'ok');
  const total = outcomes.reduce((sum, each) => sum + (weights[each] ?? 0), 0);
  // Nothing of what this fault does can show here: let it stay silent.
  if (total === 0) return undefined;
  const entries = outcomes
    .filter((each) => (weights[each] ?? 0) > 0)
    .map((each) => [each, round((weights[each] ?? 0) / total)] as const);
  const first = nth(entries, 0);
  const rest = entries.slice(1).reduce((sum, [, share]) => sum + share, 0);
  return Object.fromEntries([[first[0], round(1 - rest)], ...entries.slice(1)]);
}

const round = (value: number) => Math.round(value * 1000) / 1000;

/**
 * What a broken or corroded wire does to what is measured through it: no current flows, and no charge. Of
 * a resistance it leaves nothing or more, never less: on “at least 1 MΩ” it reads open, and that is good.
 */
const brokenWire = ({ function: fn }: QuickRow): Weights =>
  fn === 'capacitance' ? { none: 0.8, low: 0.2 } : { open: 0.8, high: 0.2 };

export function propose(tests: readonly QuickTest[]): Proposal {
  const parts: Part[] = [];
  const faults: Fault[] = [];
  const given = tests.filter(({ row }) => !looksOutwards(row));
  const outwards = tests.filter(({ row }) => looksOutwards(row));
  const shows = (
    list: readonly QuickTest[],
    weights: Weights | ((row: QuickRow) => Weights),
  ): Fault['shows'] =>
    Object.fromEntries(
      list.flatMap(({ observable, row }) => {
        const shown = bad(row, typeof weights === 'function' ? weights(row) : weights);
        return shown ? [[observable, shown]] : [];
      }),
    );
  const add = (fault: Fault) => {
    if (Object.keys(fault.shows).length > 0) faults.push(fault);
  };

  parts.push({ id: 'board', name: 'Control board' });
  for (const connector of unique(given)) {
    const list = given.filter(({ row }) => row.connector === connector);
    add({
      id: `board-${slug(connector)}`,
      name: `Board, output at ${connector}`,
      part: 'board',
      prior: 3,
      shows: shows(list, { none: 0.6, low: 0.4, open: 0.2, high: 0.1 }),
    });
  }
  if (given.length > 1) {
    parts.push({ id: 'supply', name: 'Supply of the board' });
    add({
      id: 'supply-out',
      name: 'Supply upstream missing',
      part: 'supply',
      prior: 2,
      shows: shows(given, { none: 0.9, low: 0.1, open: 0.1 }),
    });
  }
  for (const connector of unique(outwards)) {
    const list = outwards.filter(({ row }) => row.connector === connector);
    const load = `load-${slug(connector)}`;
    parts.push({ id: load, name: `Load or sensor at ${connector}` });
    // One thing at a pair of pins, however many figures a table has of it.
    for (const [pair, ofPair] of byPair(list)) {
      const named = ofPair.find(({ row }) => row.signal)?.row.signal;
      add({
        id: `${load}-${slug(pair)}`,
        name: `${named || 'Load or sensor'} at ${connector} ${pair.replace('-', '–')}`,
        part: load,
        prior: 2,
        shows: shows(ofPair, { open: 0.4, low: 0.3, high: 0.2, short: 0.1 }),
      });
    }
    parts.push({ id: `harness-${slug(connector)}`, name: `Harness at ${connector}` });
    add({
      id: `harness-${slug(connector)}`,
      name: `Harness at ${connector} broken or corroded`,
      part: `harness-${slug(connector)}`,
      prior: 1,
      shows: shows(list, brokenWire),
    });
  }
  return { parts: parts.filter(({ id }) => faults.some((fault) => fault.part === id)), faults };
}

function byPair(tests: readonly QuickTest[]): Map<string, QuickTest[]> {
  const pairs = new Map<string, QuickTest[]>();
  for (const test of tests) {
    const pair = `${test.row.red}-${test.row.black}`;
    pairs.set(pair, [...(pairs.get(pair) ?? []), test]);
  }
  return pairs;
}

const unique = (tests: readonly QuickTest[]) => [...new Set(tests.map(({ row }) => row.connector))];

/** An id out of any words. */
export function slug(words: string): string {
  const plain = words
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^A-Za-z0-9._+-]+/g, '-')
    .replace(/^[^A-Za-z0-9]+|-+$/g, '');
  return plain === '' ? 'x' : plain.slice(0, 60);
}
