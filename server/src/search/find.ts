/**
 * Finding anything by its words, the newest first. Every word must be met, each as it begins, or a slip away where
 * nothing begins so. The rarest of the words says which things are looked at; the others only whether they stay.
 */
import { LONGEST_SEARCH, plainWords } from '@jeitinho/core';
import { LONGEST_WORD } from '@jeitinho/core/job';
import { ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { raw } from '../store/raw';
import type { FoundKind } from './keep-words';

/** Words of a search, and how many words of the shop each may stand for. */
const MOST_WORDS = 8;
const MOST_MEANT = 16;
/** Things looked at in one go, and at most: of a word that stands everywhere the newest. */
const AT_ONCE = 200;
const MOST_LOOKED_AT = 6_000;
/** A word in more things than this is common. */
const COMMON = 2_000;
const MOST_FOUND = 20;

export interface Met {
  readonly kind: FoundKind;
  readonly ref: string;
}

export interface FoundHere {
  /** The newest first. */
  readonly met: readonly Met[];
  /** Typed words that stand nowhere, and what they were read as. */
  readonly readAs: Readonly<Record<string, string>>;
  /** Words that nothing comes near. */
  readonly unknown: readonly string[];
  /** There may be more, further back. */
  readonly more: boolean;
}

/** @throws {ProblemError} 400 for what no person types. */
export async function find(store: Store, text: string): Promise<FoundHere> {
  if (text.length > LONGEST_SEARCH)
    throw new ProblemError(
      400,
      'too-long',
      `A search has ${LONGEST_SEARCH} characters at most; this one has ${text.length.toLocaleString('en')}. A few words find more.`,
    );
  const words = plainWords(text).map((word) => word.slice(0, LONGEST_WORD));
  const typed = [...new Set(words)].slice(0, MOST_WORDS);
  const nothing = { met: [], readAs: {}, unknown: [], more: false };
  if (typed.length === 0) return nothing;
  const { vocabulary } = store.memory;
  await vocabulary.refresh(store.sequelize);
  const meant = typed.map((word) => ({ word, ...vocabulary.meant(word, MOST_MEANT) }));
  const unknown = meant.filter(({ words }) => words.length === 0).map(({ word }) => word);
  const readAs = Object.fromEntries(
    meant.flatMap(({ word, readAs: as }) => (as === undefined ? [] : [[word, as]])),
  );
  if (unknown.length > 0) return { ...nothing, readAs, unknown };
  const ways = await Promise.all(
    meant.map(async ({ words }) => ({ words, count: await countOf(store, words) })),
  );
  const [rarest, ...others] = ways.sort((a, b) => a.count - b.count).map(({ words }) => words);
  const { docs, more } = await meeting(store, rarest!, others);
  return { met: await metOf(store, docs), readAs, unknown, more };
}

async function countOf(store: Store, words: readonly number[]): Promise<number> {
  const [row] = await raw<{ count: number | bigint }[]>(
    store.sequelize,
    `SELECT COUNT(*) AS count FROM (SELECT 1 FROM found_in WHERE word IN (${marks(words)}) LIMIT ${COMMON}) AS some`,
    words,
  );
  return Number(row!.count);
}

/** Numbers of things that have one of the first words and one of each of the others. */
async function meeting(
  store: Store,
  first: readonly number[],
  others: readonly (readonly number[])[],
): Promise<{ docs: readonly number[]; more: boolean }> {
  const found: number[] = [];
  let [before, looked] = [2 ** 32 - 1, 0];
  while (looked < MOST_LOOKED_AT) {
    const page = await newestWith(store, first, before);
    let docs: readonly number[] = page;
    for (const words of others) docs = await havingOne(store, docs, words);
    found.push(...docs);
    looked += page.length;
    if (found.length > MOST_FOUND) return { docs: found.slice(0, MOST_FOUND), more: true };
    if (page.length < AT_ONCE) return { docs: found, more: false };
    before = page.at(-1)!;
  }
  return { docs: found, more: true };
}

/** Each word by itself, so that the index gives its newest without sorting. */
async function newestWith(
  store: Store,
  words: readonly number[],
  before: number,
): Promise<number[]> {
  const one = `(SELECT doc FROM found_in WHERE word = ? AND doc < ? ORDER BY doc DESC LIMIT ${AT_ONCE})`;
  const rows = await raw<{ doc: number }[]>(
    store.sequelize,
    `${words.map(() => one).join(' UNION ')} ORDER BY doc DESC LIMIT ${AT_ONCE}`,
    words.flatMap((word) => [word, before]),
  );
  return rows.map(({ doc }) => doc);
}

/** So many lookups cost less than reading a stretch of the index. */
const FEW_LOOKUPS = 600;
/** A stretch of so many documents is read through, longer ones are looked up in. */
const STRETCH = 20_000;

/** Either by looking each document up under each word, or by reading the words along the stretch of documents. */
async function havingOne(
  store: Store,
  docs: readonly number[],
  words: readonly number[],
): Promise<readonly number[]> {
  if (docs.length === 0) return [];
  // The newest first.
  const [newest, oldest] = [docs[0]!, docs.at(-1)!];
  const few = docs.length * words.length <= FEW_LOOKUPS || newest - oldest > STRETCH;
  const rows = await raw<{ doc: number }[]>(
    store.sequelize,
    `SELECT DISTINCT doc FROM found_in FORCE INDEX (PRIMARY)
      WHERE word IN (${marks(words)}) AND doc ${few ? `IN (${marks(docs)})` : 'BETWEEN ? AND ?'}`,
    [...words, ...(few ? docs : [oldest, newest])],
  );
  const having = new Set(rows.map(({ doc }) => doc));
  return docs.filter((doc) => having.has(doc));
}

async function metOf(store: Store, docs: readonly number[]): Promise<Met[]> {
  if (docs.length === 0) return [];
  return raw<Met[]>(
    store.sequelize,
    `SELECT kind, ref FROM found_docs WHERE n IN (${marks(docs)}) ORDER BY n DESC`,
    docs,
  );
}

const marks = (list: readonly unknown[]) => list.map(() => '?').join(', ');
