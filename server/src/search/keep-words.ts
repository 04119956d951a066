/** Keeping what something is found by: only what changed is written. */
import type { Store } from '../store/models/index';
import { raw, type Written } from '../store/raw';

export type FoundKind = 'job' | 'unit';

const marks = (list: readonly unknown[], one = '?') => list.map(() => one).join(', ');

/** @param words - As `findableWords` gives them; none, and it is found no more. */
export async function keepWords(
  store: Store,
  kind: FoundKind,
  ref: string,
  words: readonly string[],
): Promise<void> {
  const doc = await docOf(store, kind, ref);
  const wanted = new Set(await idsOf(store, words));
  const had = await raw<{ word: number }[]>(
    store.sequelize,
    'SELECT word FROM found_in WHERE doc = ?',
    [doc],
  );
  const gone = had.filter(({ word }) => !wanted.delete(word)).map(({ word }) => word);
  if (gone.length > 0)
    await raw(store.sequelize, `DELETE FROM found_in WHERE doc = ? AND word IN (${marks(gone)})`, [
      doc,
      ...gone,
    ]);
  if (wanted.size > 0)
    await raw(
      store.sequelize,
      `INSERT IGNORE INTO found_in (word, doc) VALUES ${marks([...wanted], '(?, ?)')}`,
      [...wanted].flatMap((word) => [word, doc]),
    );
}

/** Its number; made where there is none. Later ones are higher. */
async function docOf(store: Store, kind: FoundKind, ref: string): Promise<number> {
  const find = async () => {
    const [row] = await raw<{ n: number }[]>(
      store.sequelize,
      'SELECT n FROM found_docs WHERE kind = ? AND ref = ?',
      [kind, ref],
    );
    return row?.n;
  };
  const known = await find();
  if (known !== undefined) return known;
  await raw<Written>(store.sequelize, 'INSERT IGNORE INTO found_docs (kind, ref) VALUES (?, ?)', [
    kind,
    ref,
  ]);
  return (await find())!;
}

async function idsOf(store: Store, words: readonly string[]): Promise<number[]> {
  if (words.length === 0) return [];
  const find = () =>
    raw<{ id: number; word: string }[]>(
      store.sequelize,
      `SELECT id, word FROM found_words WHERE word IN (${marks(words)})`,
      words,
    );
  const known = await find();
  if (known.length === words.length) return known.map(({ id }) => id);
  const there = new Set(known.map(({ word }) => word));
  const fresh = words.filter((word) => !there.has(word));
  await raw(
    store.sequelize,
    `INSERT IGNORE INTO found_words (word) VALUES ${marks(fresh, '(?)')}`,
    fresh,
  );
  return (await find()).map(({ id }) => id);
}

/** Words that nothing has any more: somebody’s name, after they were erased. */
export async function dropUnusedWords(store: Store): Promise<void> {
  await store.memory.turns.take('projections', () =>
    raw(
      store.sequelize,
      'DELETE FROM found_words WHERE NOT EXISTS (SELECT 1 FROM found_in f WHERE f.word = found_words.id)',
    ),
  );
  store.memory.vocabulary.forget();
}
