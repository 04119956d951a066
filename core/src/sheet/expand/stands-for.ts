/** What each thing that an author wrote once stands for on one machine. */
import type { WrittenSheet } from '../schema';
import { expandSheet } from './expand';
import type { Chosen } from './variants';

/** Lists of a sheet in which things stand once for several, as a path leads to them. */
const LISTS = [
  'boards',
  'harnesses',
  'paths',
  'curves',
  'codes/list',
  'symptoms',
  'states',
  'access',
  'tests',
  'sequences',
  'rules',
  'faults',
  'parts',
  'repairs',
  'tries',
  'procedures',
] as const;

export interface StandsFor {
  readonly list: (typeof LISTS)[number];
  /** Its place in the list as it is written. */
  readonly index: number;
  /** As it is written, and as each copy is called; none where this machine has it not. */
  readonly written: string;
  readonly copies: readonly string[];
}

/** @returns only what says `per` or `only`, in the order of the sheet. */
export function standsFor(written: WrittenSheet, chosen: Chosen): StandsFor[] {
  const { sheet, writtenAt } = expandSheet(written, chosen);
  return LISTS.flatMap((list) => {
    const plain = listAt(sheet, list);
    const byIndex = new Map<number, string[]>();
    plain.forEach((item, i) => {
      const index = Number(writtenAt(`/${list}/${i}`).split('/').at(-1));
      byIndex.set(index, [...(byIndex.get(index) ?? []), nameOf(item)]);
    });
    return listAt(written, list).flatMap((item, index): StandsFor[] =>
      item.per === undefined && item.only === undefined
        ? []
        : [{ list, index, written: nameOf(item), copies: byIndex.get(index) ?? [] }],
    );
  });
}

type Item = Readonly<Record<string, unknown>>;

const listAt = (sheet: object, list: string): readonly Item[] =>
  (list
    .split('/')
    .reduce<unknown>((at, key) => (at as Item | undefined)?.[key], sheet) as readonly Item[]) ?? [];

/** A code by itself and its unit, anything else by its id. */
const nameOf = ({ id, code, unit }: Item): string =>
  String(id ?? [code, unit].filter((each) => each !== undefined).join(', '));
