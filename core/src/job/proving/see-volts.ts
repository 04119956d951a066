/** Volts on a machine taken for dead take the proof away, wherever they were read. */
import { comesBack, standsProven, type VoltsSeen } from '../../conditions/come-back';
import { lose } from '../../conditions/energy';
import { isTone, type Reading } from '../../judge/reading';
import { functionOf } from '../../sheet/all-tests';
import { findPoint, findTest } from '../../sheet/lookup';
import { isMeasured, type Sheet } from '../../sheet/schema';
import type { LoggedEntry } from '../log/entry';
import type { Draft } from '../state/draft';

/** @returns whether a proof was lost by it. */
export function seeVolts(draft: Draft, entry: LoggedEntry, sheet: Sheet, seen: VoltsSeen): boolean {
  if (!standsProven(draft.energy)) return false;
  const back = comesBack(sheet, seen);
  if (!back) return false;
  draft.energy = lose(draft.energy, { ...back, entry: entry.id, at: entry.at });
  draft.danger = entry;
  return true;
}

/** Volts read by any test speak of the proof as well. */
export function seeTestVolts(
  draft: Draft,
  entry: LoggedEntry & { readonly body: { readonly test: string; readonly point: string } },
  sheet: Sheet,
  reading: () => Reading,
): void {
  if (!standsProven(draft.energy)) return;
  const shown = reading();
  if (isTone(shown)) return;
  const test = findTest(sheet, entry.body.test);
  const point = test && findPoint(test, entry.body.point);
  if (!test || !isMeasured(test) || !point) return;
  const { red, black } = point;
  seeVolts(draft, entry, sheet, {
    function: functionOf(test, point),
    reading: shown,
    red,
    black,
  });
}
