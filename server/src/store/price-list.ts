/** The shop's price list: kept row by row, and asked for by the numbers of a sheet's parts. */
import { numberKey, numbersOf, type PriceRow } from '@jeitinho/core';
import type { Sheet } from '@jeitinho/core/sheet';
import { Op, type WhereOptions } from 'sequelize';
import type { Store } from './models/index';

/** Rows that go to the database at once. */
const AT_ONCE = 500;
/** How often a number may be superseded. */
const LONGEST_CHAIN = 8;

/**
 * @param replace - The whole list: what is not in it is put away.
 * @returns how many were new, changed and put away.
 */
export async function keepPrices(store: Store, rows: readonly PriceRow[], replace: boolean) {
  const kept = new Map(rows.map((row) => [numberKey(row.number), row]));
  return store.sequelize.transaction(async (transaction) => {
    const before = new Map(
      (await store.prices.findAll({ transaction, lock: transaction.LOCK.UPDATE })).map((price) => [
        price.id,
        JSON.stringify(price.row),
      ]),
    );
    const changed = [...kept].filter(([key, row]) => before.get(key) !== JSON.stringify(row));
    for (let i = 0; i < changed.length; i += AT_ONCE)
      await store.prices.bulkCreate(
        changed.slice(i, i + AT_ONCE).map(([id, row]) => ({ id, row, words: wordsOf(row) })),
        { updateOnDuplicate: ['row', 'words'], transaction },
      );
    const gone = replace ? [...before.keys()].filter((key) => !kept.has(key)) : [];
    for (let i = 0; i < gone.length; i += AT_ONCE)
      await store.prices.destroy({ where: { id: gone.slice(i, i + AT_ONCE) }, transaction });
    const added = changed.filter(([key]) => !before.has(key)).length;
    return { added, changed: changed.length - added, removed: gone.length };
  });
}

/** Words asked for at once. */
const MOST_WORDS = 8;

/** Rows whose number or name has every word. */
export const pricesWith = (asked: string): WhereOptions => ({
  [Op.and]: asked
    .split(/\s+/)
    .filter((word) => word !== '')
    .slice(0, MOST_WORDS)
    .map((word) => ({ words: { [Op.like]: `%${plain(inWords(word))}%` } })),
});

const inWords = (text: string): string =>
  text
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[‐-―−]/g, '-');

const wordsOf = ({ number, name = '' }: PriceRow): string => inWords(`${number} ${name}`);

/** What LIKE would read as more than itself. */
const plain = (text: string): string => text.replace(/[\\%_]/g, '\\$&');

/** Rows about the parts of a sheet, and about what took their place. */
export async function pricesFor(store: Store, sheet: Pick<Sheet, 'parts'>): Promise<PriceRow[]> {
  const found = new Map<string, PriceRow>();
  let wanted = numbersOf(sheet).map(numberKey);
  for (let i = 0; i < LONGEST_CHAIN && wanted.length > 0; i += 1) {
    const rows = await store.prices.findAll({ where: { id: { [Op.in]: wanted } } });
    for (const { id, row } of rows) found.set(id, row);
    wanted = rows
      .flatMap(({ row }) => row.supersededBy ?? [])
      .map(numberKey)
      .filter((key) => !found.has(key));
  }
  return [...found.values()];
}
