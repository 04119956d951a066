/** What a sheet's machine can be helped with, as plans take it. */
import { modelOf } from '../diagnose/model';
import type { Sheet } from '../sheet/schema';
import { PROVING_MINUTES } from '../next/prices';
import { actionsOf, type Action } from './actions';

/** Share of a price that is kept when an unused part goes back, where nobody says it. */
const RESTOCK = 0.2;

/** @param covered - Share of the parts’ prices that a warranty bears. */
export const actionsOfSheet = (sheet: Sheet, covered: number): Action[] =>
  actionsOf(
    modelOf(sheet),
    sheet.parts
      // No more to be had, by itself or in a kit.
      .filter(({ available }) => available !== 'no more')
      .map(({ id, price = 0, minutes = 0, leadHours = 0, returnable = false }) => ({
        ...{ id, price, leadHours, returnable, covered },
        // Fitted and proven: what costs nothing would be tried before anything else.
        minutes: minutes + PROVING_MINUTES,
        restock: RESTOCK,
      })),
    (sheet.repairs ?? []).map((repair) => ({
      ...repair,
      minutes: repair.minutes + PROVING_MINUTES,
    })),
  );

/** Parts that a plan would take for free only because nobody knows their price. */
export const withoutPrice = ({ parts }: Sheet): string[] =>
  parts.flatMap(({ name, price }) => (price === undefined ? [name] : []));
