/** A sheet and the units it is for: those that it covers by maker and model, and giving it to them. */
import type { UnitFound } from '@jeitinho/core';
import { modelMatches, type WrittenSheet } from '@jeitinho/core/sheet';
import { Op } from 'sequelize';
import { attachSheet } from './attach-sheet';
import { FOUND_COLUMNS } from './find-units';
import type { Store } from './models/index';
import { raw } from './raw';

const MOST_FITTING = 200;

/** Units without this sheet that its maker and models cover. */
export async function unitsFitting(
  store: Store,
  { id, equipment }: WrittenSheet,
): Promise<UnitFound[]> {
  const makers = [equipment.maker, ...(equipment.makers ?? [])];
  const rows = await raw<(UnitFound & { readonly address: string })[]>(
    store.sequelize,
    `SELECT ${FOUND_COLUMNS} FROM units u JOIN sites s ON s.id = u.siteId
      WHERE u.maker IN (${makers.map(() => '?').join(', ')}) AND (u.sheetId IS NULL OR u.sheetId <> ?) ORDER BY u.sheetId IS NOT NULL, s.name, u.label, u.id`,
    [...makers, id],
  );
  return rows
    .filter(({ model }) => equipment.models.some((pattern) => modelMatches(pattern, model)))
    .slice(0, MOST_FITTING)
    .map(({ address: _address, ...unit }) => unit);
}

/** All sheets, to choose from by maker and model; a machine may be sold under several names. */
export async function sheetChooser(
  store: Store,
): Promise<(maker: string, model: string) => string | null> {
  const rows = await store.sheets.findAll({
    attributes: ['id', 'maker', 'facets'],
    where: { newest: true },
    order: [['id', 'ASC']],
  });
  const plain = (text: string) => text.trim().toLowerCase();
  return (maker, model) =>
    rows.find(
      (row) =>
        [row.maker, ...(row.facets?.makers ?? [])].some((each) => plain(each) === plain(maker)) &&
        row.facets?.models.some((pattern) => modelMatches(pattern, model)),
    )?.id ?? null;
}

/** @returns how many units have it now, and how many open visits without a sheet got it. */
export async function giveSheet(
  store: Store,
  sheetId: string,
  unitIds: readonly string[],
): Promise<{ units: number; jobs: number }> {
  const [units] = await store.units.update({ sheetId }, { where: { id: [...unitIds] } });
  const bare = await store.jobs.findAll({
    attributes: ['id'],
    where: { unitId: [...unitIds], status: 'open', sheetId: { [Op.is]: null } },
  });
  for (const { id } of bare) await attachSheet(store, id, sheetId);
  return { units, jobs: bare.length };
}
