/** Finding a unit by the words on its label or of the place where it stands. */
import type { UnitFound } from '@jeitinho/core';
import type { Store } from './models/index';
import { raw } from './raw';

const MOST_FOUND = 30;
const MOST_WORDS = 8;
/** Units with one of the words, before all words are looked for. */
const MOST_LOOKED_AT = 2_000;
/** Shorter words are not in the index of words. */
const SHORTEST = 3;

interface Row extends UnitFound {
  readonly address: string;
}

const COLUMNS = `u.id, u.siteId, u.label, u.maker, u.model, u.serial, u.kind, u.installedOn, u.warrantyUntil,
  u.sheetId, s.name AS siteName, s.address, s.town`;

/**
 * @param words - Any of the label, maker, model, serial number, site, street or town; each may be cut short.
 *   Nothing: the first units of the list.
 */
export async function findUnits(store: Store, words: string): Promise<UnitFound[]> {
  // What means something to the matcher means nothing here.
  const list = wordsOf(words).slice(0, MOST_WORDS);
  const rows = list.some((word) => word.length >= SHORTEST)
    ? await byWords(store, list)
    : await byLabel(store, words.trim());
  return rows.map(({ address: _address, ...unit }) => unit);
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
  const indexed = words.filter((word) => word.length >= SHORTEST).map((word) => `${word}*`);
  const rows = await raw<Row[]>(
    store.sequelize,
    `SELECT ${COLUMNS} FROM units u JOIN sites s ON s.id = u.siteId
      WHERE MATCH (u.label, u.maker, u.model, u.serial) AGAINST (? IN BOOLEAN MODE)
     UNION
     SELECT ${COLUMNS} FROM sites s JOIN units u ON u.siteId = s.id
      WHERE MATCH (s.name, s.address, s.town) AGAINST (? IN BOOLEAN MODE)
     LIMIT ${MOST_LOOKED_AT}`,
    [indexed.join(' '), indexed.join(' ')],
  );
  return rows.filter((row) => hasAll(row, words)).slice(0, MOST_FOUND);
}

/** Whether every word begins one of the unit's. */
function hasAll(row: Row, words: readonly string[]): boolean {
  const { label, maker, model, serial, siteName, address, town } = row;
  const there = wordsOf([label, maker, model, serial, siteName, address, town].join(' '));
  return words.every((word) => there.some((each) => each.startsWith(word)));
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
