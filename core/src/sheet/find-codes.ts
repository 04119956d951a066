/** A code or a symptom among all sheets of the library: by the code, by its words, with a typing mistake or two. */
import MiniSearch from 'minisearch';
import type { SheetFacets } from './search';

interface Listed {
  readonly id: string;
  readonly title: string;
  readonly maker: string;
  readonly facets: SheetFacets;
}

export interface FoundCode {
  readonly sheetId: string;
  readonly sheet: string;
  readonly kind: 'code' | 'symptom';
  /** As it is shown; empty for a symptom. */
  readonly code: string;
  readonly title: string;
}

export interface CodeFinder {
  /** Best first. Every word must be met. */
  readonly find: (words: string, most?: number) => readonly FoundCode[];
  /** Sheets that list this very code, in the order of the library. */
  readonly listing: (code: string) => readonly FoundCode[];
}

const MOST = 12;
/** Of a word’s length, how much may be mistyped; short ones, as codes are, must be right. */
const FUZZY = 0.2;
/** A code is looked for by itself more often than by its words. */
const BOOST = { code: 3, title: 2, sheet: 1 };

const plain = (text: string) => text.replace(/\s+/g, '').toUpperCase();

/** Makes the index: a moment for thousands of sheets, once. */
export function codeFinder(sheets: readonly Listed[]): CodeFinder {
  const all: (FoundCode & { readonly id: number })[] = [];
  const byCode = new Map<string, FoundCode[]>();
  for (const { id: sheetId, title: name, maker, facets } of sheets) {
    const sheet = name.startsWith(maker) ? name : `${maker} ${name}`;
    const put = (kind: FoundCode['kind'], code: string, title: string) => {
      const found = { id: all.length, sheetId, sheet, kind, code, title };
      all.push(found);
      if (kind === 'code') byCode.set(plain(code), [...(byCode.get(plain(code)) ?? []), found]);
    };
    // A code that every circuit has is one.
    for (const each of new Set(facets.codes)) {
      const [code = '', ...words] = each.split(' ');
      put('code', code, words.join(' '));
    }
    // A list that a device kept from before symptoms were in it.
    const symptoms: readonly string[] | undefined = facets.symptoms;
    for (const text of symptoms ?? []) put('symptom', '', text);
  }
  const index = new MiniSearch<(typeof all)[number]>({ fields: ['code', 'title', 'sheet'] });
  index.addAll(all);
  return {
    find: (words, most = MOST) =>
      index
        .search(words.slice(0, 200), {
          combineWith: 'AND',
          prefix: (term) => term.length > 1,
          fuzzy: FUZZY,
          boost: BOOST,
        })
        .slice(0, most)
        .map(({ id }) => all[id as number]!),
    listing: (code) => byCode.get(plain(code)) ?? [],
  };
}
