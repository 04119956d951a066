/** Finding a unit by the words on its label or of the place where it stands. */
import type { UnitFound } from '@jeitinho/core';
import type { Store } from './models/index';
import { raw } from './raw';

const MOST_FOUND = 30;
const MOST_WORDS = 8;
/** Shorter words are not in the index of words. */
const SHORTEST = 3;

interface Row extends UnitFound {
  readonly id: string;
}

const COLUMNS = `u.id, u.siteId, u.label, u.maker, u.model, u.serial, u.kind, u.installedOn, u.warrantyUntil,
  u.sheetId, s.name AS siteName, s.town`;

/**
 * @param words - Any of the label, maker, model, serial number, site, street or town; each may be cut short.
 *   Nothing: the first units of the list.
 */
export async function findUnits(store: Store, words: string): Promise<UnitFound[]> {
  // What means something to the matcher means nothing here.
  const list = words
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .slice(0, MOST_WORDS);
  const long = list.filter((word) => word.length >= SHORTEST);
  const rows = long.length > 0 ? await byWords(store, long) : await byLabel(store, words.trim());
  return rows.map((row) => ({ ...row }));
}

const byLabel = (store: Store, start: string) =>
  raw<Row[]>(
    store.sequelize,
    `SELECT ${COLUMNS} FROM units u JOIN sites s ON s.id = u.siteId
      WHERE u.label LIKE ? ORDER BY u.label, u.id LIMIT ${MOST_FOUND}`,
    [`${start.replace(/[\\%_]/g, '\\$&')}%`],
  );

/** Units that have every word, on themselves or on their site. */
async function byWords(store: Store, words: readonly string[]): Promise<Row[]> {
  const all = words.map((word) => `+${word}*`).join(' ');
  const some = words.map((word) => `${word}*`).join(' ');
  const rows = await raw<Row[]>(
    store.sequelize,
    `SELECT ${COLUMNS} FROM units u JOIN sites s ON s.id = u.siteId
      WHERE MATCH (u.label, u.maker, u.model, u.serial) AGAINST (? IN BOOLEAN MODE)
     UNION
     SELECT ${COLUMNS} FROM sites s JOIN units u ON u.siteId = s.id
      WHERE MATCH (s.name, s.address, s.town) AGAINST (? IN BOOLEAN MODE)
     LIMIT 500`,
    [words.length === 1 ? all : some, some],
  );
  const has = (row: Row) => {
    const text =
      `${row.label} ${row.maker} ${row.model} ${row.serial} ${row.siteName} ${row.town}`.toLowerCase();
    return words.every((word) => text.includes(word.toLowerCase()));
  };
  const fitting = rows.filter(has);
  return (fitting.length > 0 ? fitting : []).slice(0, MOST_FOUND);
}
