/** Finding a unit by the words on its label or of the place where it stands. */
import { hasWords, type UnitFound } from '@jeitinho/core';
import type { Store } from './models/index';
import { raw } from './raw';
import { anyOf, startingWith, wordsOf } from './words';

const MOST_FOUND = 30;
/** Units with one of the words, before all words are looked for. */
const MOST_LOOKED_AT = 2_000;

interface Row extends UnitFound {
  readonly address: string;
}

/** Columns of a unit found, from `units u` and `sites s`. */
export const FOUND_COLUMNS = `u.id, u.siteId, u.label, u.maker, u.model, u.serial, u.kind, u.installedOn, u.warrantyUntil,
  u.sheetId, s.name AS siteName, s.address, s.town`;

/**
 * @param words - Any of the label, maker, model, serial number, site, street or town; each may be cut short.
 *   Nothing: the first units of the list.
 */
export async function findUnits(store: Store, words: string): Promise<UnitFound[]> {
  const list = wordsOf(words);
  const any = anyOf(list);
  const rows = any ? await byWords(store, list, any) : await byLabel(store, words.trim());
  return rows.map(({ address: _address, ...unit }) => unit);
}

const byLabel = (store: Store, start: string) =>
  raw<Row[]>(
    store.sequelize,
    `SELECT ${FOUND_COLUMNS} FROM units u JOIN sites s ON s.id = u.siteId
      WHERE u.label LIKE ? ORDER BY u.label, u.id LIMIT ${MOST_FOUND}`,
    [startingWith(start)],
  );

/** Units that have every word, on themselves or on their site. */
async function byWords(store: Store, words: readonly string[], any: string): Promise<Row[]> {
  const rows = await raw<Row[]>(
    store.sequelize,
    `SELECT ${FOUND_COLUMNS} FROM units u JOIN sites s ON s.id = u.siteId
      WHERE MATCH (u.label, u.maker, u.model, u.serial) AGAINST (? IN BOOLEAN MODE)
     UNION
     SELECT ${FOUND_COLUMNS} FROM sites s JOIN units u ON u.siteId = s.id
      WHERE MATCH (s.name, s.address, s.town) AGAINST (? IN BOOLEAN MODE)
     LIMIT ${MOST_LOOKED_AT}`,
    [any, any],
  );
  return rows
    .filter(({ label, maker, model, serial, siteName, address, town }) =>
      hasWords([label, maker, model, serial, siteName, address, town], words),
    )
    .slice(0, MOST_FOUND);
}
