/** Finding a sheet by maker, model, code, connector, signal or part, and saying by what it was found. */
import { Type, type Static } from '@sinclair/typebox';
import { normaliseCode } from './codes/match';
import type { Sheet } from './schema';
import { nth } from '../numeric/nth';
import { plainText } from '../units/plain-words';

/** What a library needs of a sheet to be searched; a projection, rebuildable from the sheet. */
export const facetsSchema = Type.Object({
  kind: Type.String(),
  models: Type.Array(Type.String()),
  codes: Type.Array(Type.String()),
  symptoms: Type.Array(Type.String()),
  connectors: Type.Array(Type.String()),
  parts: Type.Array(Type.String()),
  /** Printed on its boards. */
  boards: Type.Array(Type.String()),
  /** Other names under which it is sold. */
  makers: Type.Array(Type.String()),
  tests: Type.Integer({ minimum: 0 }),
  faults: Type.Integer({ minimum: 0 }),
});
export type SheetFacets = Readonly<Static<typeof facetsSchema>>;

/** Raise it when {@link facetsOf} changes, so that stored projections are made again. */
export const FACETS_VERSION = 3;

export function facetsOf(sheet: Sheet): SheetFacets {
  return {
    kind: sheet.equipment.kind,
    models: sheet.equipment.models,
    codes: sheet.codes.list.flatMap(({ code, title, also = [] }) =>
      [code, ...also].map((spelt) => `${spelt} ${title}`),
    ),
    symptoms: (sheet.symptoms ?? []).map(({ text }) => text),
    connectors: [
      ...new Set(
        sheet.boards.flatMap((board) =>
          (board.connectors ?? []).map(({ id, name }) => [id, name].filter(Boolean).join(' ')),
        ),
      ),
    ],
    parts: sheet.parts.map(({ name, number }) => [name, number].filter(Boolean).join(' ')),
    boards: sheet.boards.flatMap(({ name, numbers }) =>
      (numbers ?? []).map((number) => `${number} ${name}`),
    ),
    makers: sheet.equipment.makers ?? [],
    tests: sheet.tests.length + (sheet.sequences?.length ?? 0),
    faults: sheet.faults.length,
  };
}

/** Whether a model pattern (`NX3-10*`) covers a model. Case and spaces do not matter. */
export function modelMatches(pattern: string, model: string): boolean {
  const plain = (text: string) => text.replace(/\s+/g, '').toUpperCase();
  const parts = plain(pattern)
    .split('*')
    .map((part) => part.replace(/[.+?^${}()|[\]\\]/g, '\\$&'));
  return new RegExp(`^${parts.join('.*')}$`).test(plain(model));
}

export interface Found<T> {
  readonly item: T;
  /** By what: `code 47 Compressor current`, `connector CN5`; empty when nothing was asked. */
  readonly by: readonly string[];
}

interface Searchable {
  readonly title: string;
  readonly maker: string;
  readonly facets: SheetFacets;
}

/** Every word must be found somewhere; the best explained come first. */
export function searchSheets<T extends Searchable>(items: readonly T[], query: string): Found<T>[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return items.map((item) => ({ item, by: [] }));
  return items
    .flatMap((item) => {
      const hits = words.map((word) => hitOf(item, word));
      return hits.every((hit) => hit !== undefined) ? [{ item, hits: hits as Hit[] }] : [];
    })
    .sort((a, b) => rank(a.hits) - rank(b.hits))
    .map(({ item, hits }) => ({
      item,
      by: [...new Set(hits.map((hit) => hit.by).filter((by) => by !== ''))],
    }));
}

interface Hit {
  readonly rank: number;
  readonly by: string;
}

const rank = (hits: readonly Hit[]) => hits.reduce((sum, hit) => sum + hit.rank, 0);

function hitOf({ title, maker, facets }: Searchable, word: string): Hit | undefined {
  const wanted = plainText(word);
  const has = (text: string) => plainText(text).includes(wanted);
  const model = facets.models.find((pattern) => has(pattern) || modelMatches(pattern, word));
  if (model !== undefined) return { rank: 0, by: `model ${model}` };
  if (has(title) || has(maker) || facets.makers.some(has)) return { rank: 1, by: '' };
  const code = facets.codes.find(
    (each) => normaliseCode(nth(each.split(' '), 0)) === normaliseCode(word),
  );
  if (code !== undefined) return { rank: 2, by: `code ${code}` };
  if (has(facets.kind)) return { rank: 3, by: facets.kind };
  const lists = [
    ['connector', facets.connectors],
    ['part', facets.parts],
    ['board', facets.boards],
    ['code', facets.codes],
  ] as const;
  for (const [name, list] of lists) {
    const found = list.find(has);
    if (found !== undefined) return { rank: 4, by: `${name} ${found}` };
  }
  return undefined;
}
