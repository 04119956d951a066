/** A machine as the bench plays it: the sheet's circuit, built with its tolerances, perhaps broken. */
import { UnknownReferenceError } from '../../errors';
import { findAccess } from '../../sheet/lookup';
import type { BenchModel, Sheet } from '../../sheet/schema';
import { asBuilt } from '../tolerance';
import { changed, type Roll } from '../changes';
import type { Circuit } from '../circuit';
import { dice } from '../../numeric/dice';
import { readNetlist } from '../spice/read';
import { nth } from '../../numeric/nth';

export type BenchedSheet = Sheet & { readonly bench: BenchModel };
export const hasBench = (sheet: Sheet): sheet is BenchedSheet => sheet.bench !== undefined;

/** One specimen: what is wrong with it, and the seed that its parts were drawn with. */
export interface Specimen {
  /** Changes of its fault; none for a healthy one. */
  readonly changes: readonly string[];
  /** 0: every part exactly as written. */
  readonly seed: number;
}

/** Whether something in it comes and goes. */
export const flickers = ({ changes }: Specimen): boolean =>
  changes.some((change) => /^\s*flicker/i.test(change));

export const HEALTHY: Specimen = { changes: [], seed: 0 };

/** What has been done to it when it is probed. */
export interface Situation {
  readonly state: string;
  readonly phase?: string | undefined;
  /** Everything opened and unplugged. */
  readonly access: readonly string[];
  /** What is being read, by test or `test@point`, where the bench does something for it alone. */
  readonly observable?: string | undefined;
}

const read = new WeakMap<BenchModel, { readonly text: string; readonly circuit: Circuit }>();

/** @throws {NetlistError} where the sheet's netlist cannot be read. */
export function circuitOfBench(bench: BenchModel): Circuit {
  const known = read.get(bench);
  if (known?.text === bench.netlist) return known.circuit;
  const circuit = readNetlist(bench.netlist);
  read.set(bench, { text: bench.netlist, circuit });
  return circuit;
}

/** The specimen's own circuit, before anything is done to it. */
export function build(
  { bench }: BenchedSheet,
  { changes, seed }: Specimen,
): (roll?: Roll) => Circuit {
  const drawn = circuitOfBench(bench);
  const own = seed === 0 ? drawn : asBuilt(drawn, bench.tolerances ?? {}, dice(seed));
  return (roll) => changed(own, changes, roll);
}

/** The circuit as it stands when probed. */
export function inSituation({ bench }: BenchedSheet, circuit: Circuit, now: Situation): Circuit {
  return changed(circuit, situationChanges(bench, now));
}

export function situationChanges(
  { states = {}, access = {}, tests = {} }: BenchModel,
  now: Situation,
): string[] {
  return [
    ...(states[now.state] ?? []),
    ...(now.phase === undefined ? [] : (states[`${now.state}/${now.phase}`] ?? [])),
    ...now.access.flatMap((id) => access[id] ?? []),
    ...(now.observable === undefined
      ? []
      : [
          ...(tests[nth(now.observable.split('@'), 0)] ?? []),
          ...(now.observable.includes('@') ? (tests[now.observable] ?? []) : []),
        ]),
  ];
}

/** What an access needs comes with it. */
export function withNeeds(sheet: Sheet, wanted: readonly string[]): string[] {
  const all = new Set<string>();
  const add = (id: string) => {
    if (all.has(id)) return;
    all.add(id);
    for (const need of findAccess(sheet, id)?.needs ?? []) add(need);
  };
  for (const id of wanted) add(id);
  return [...all].sort();
}

/** @throws {UnknownReferenceError} where the bench does not know the place. */
export function nodeAt({ nodes }: BenchModel, place: string): string {
  const node = nodes[place];
  if (node === undefined)
    throw new UnknownReferenceError(`the bench has no node for “${place}”`, '/bench/nodes');
  return node.toLowerCase();
}
