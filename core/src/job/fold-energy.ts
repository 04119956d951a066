/** What each entry does to the energy state and to what is open, devices that cross included. */
import { comesBack, standsProven, type VoltsSeen } from '../conditions/come-back';
import {
  energise,
  isolate,
  lose,
  readPair,
  storeVolts,
  withProof,
  withReading,
} from '../conditions/energy';
import { fastStore } from '../conditions/fast-store';
import { BUS } from '../conditions/lift';
import { findPair, pairsOf } from '../conditions/pairs';
import { sourceProblem } from '../conditions/sources';
import { functionOf } from '../sheet/all-tests';
import { findPoint, findTest } from '../sheet/lookup';
import { isMeasured, type Sheet } from '../sheet/schema';
import { accuracyAt } from '../meter/profile';
import type { Draft } from './draft';
import type { EntryOf, StoredEntry } from './entries';
import { instrumentFor, instrumentOf } from './instruments';
import { sawEntry } from './log-order';
import { momentOf } from './moment-of';

export function applyEnergised(draft: Draft, entry: StoredEntry & EntryOf<'energised'>): void {
  draft.energy = energise(entry.at, entry.body.second);
  draft.danger = entry;
}

export function applySafed(
  draft: Draft,
  entry: StoredEntry & EntryOf<'safed'>,
  sheet: Sheet,
): void {
  // Of two devices that did not know of each other, the more dangerous energy holds.
  if (draft.danger && !sawEntry(entry, draft.danger)) return;
  const { step, function: fn, source, reading } = entry.body;
  const moment = momentOf(entry);
  switch (step) {
    case 'isolated':
      // Isolated, no test mode runs on.
      draft.spells.clear();
      draft.energy = isolate(draft.energy, moment);
      return;
    case 'meter':
      // Whatever let it into the log: a figure that does not fit its source proves no meter.
      if (!fn || !source || !reading) return;
      if (sourceProblem(sheet, fn, source, reading, storeVolts(draft.energy, fn))) return;
      draft.energy = withProof(sheet, draft.energy, {
        ...moment,
        entry: entry.id,
        function: fn,
        source,
        reading,
        instrument: instrumentOf(entry, draft.meter),
      });
      draft.everDead ||= draft.energy.kind === 'dead';
      return;
    case 'pair':
      pairMeasured(draft, entry, sheet, entry.body.pair);
      return;
    case 'bus':
      // From before pairs: it still tells how the store falls, and proves nothing.
      pairMeasured(draft, entry, sheet, findPair(sheet, BUS)?.id ?? firstStore(sheet));
      return;
    case 'meter-proved':
    case 'meter-reproved':
      return;
    default:
      step satisfies never;
  }
}

const firstStore = (sheet: Sheet) => pairsOf(sheet).find((pair) => pair.function === 'V=')?.id;

function pairMeasured(
  draft: Draft,
  entry: StoredEntry & EntryOf<'safed'>,
  sheet: Sheet,
  id: string | undefined,
): void {
  const pair = id === undefined ? undefined : findPair(sheet, id);
  const { reading } = entry.body;
  if (!pair || !reading || !draft.energy.isolated) return;
  // On another function it says nothing of this pair.
  if (entry.body.step === 'pair' && entry.body.function !== pair.function) return;
  const seen = { function: pair.function, reading, red: pair.from, black: pair.to };
  if (draft.energy.kind === 'dead' || draft.energy.proven.has(pair.id)) {
    if (seeVolts(draft, entry, sheet, seen)) return;
  }
  const meter = instrumentFor(draft.meters, sheet, { function: pair.function, live: true });
  const accuracy =
    meter && reading.kind === 'value'
      ? accuracyAt(meter, pair.function, Math.abs(reading.value))
      : undefined;
  const taken = { ...momentOf(entry), entry: entry.id, reading };
  const read = readPair(draft.energy, pair, taken, instrumentOf(entry, draft.meter), accuracy);
  const finding = fastStore(pair, draft.energy, read);
  if (finding) draft.stores.push(finding);
  draft.energy = withReading(draft.energy, read);
}

/** @returns whether a proof was lost by it. */
export function seeVolts(draft: Draft, entry: StoredEntry, sheet: Sheet, seen: VoltsSeen): boolean {
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
  entry: StoredEntry & (EntryOf<'reading'> | EntryOf<'series'>),
  sheet: Sheet,
): void {
  if (!standsProven(draft.energy)) return;
  const test = findTest(sheet, entry.body.test);
  const point = test && findPoint(test, entry.body.point);
  if (!test || !isMeasured(test) || !point) return;
  const fn = functionOf(test, point);
  const reading =
    entry.kind === 'reading'
      ? entry.body.reading
      : {
          kind: 'value' as const,
          value: Math.max(...entry.body.samples.map(({ value }) => Math.abs(value))),
        };
  seeVolts(draft, entry, sheet, { function: fn, reading, red: point.red, black: point.black });
}

/** A pair's figure that was taken back may have stood there all the same. */
export function seeWithdrawnPair(
  draft: Draft,
  entry: StoredEntry & EntryOf<'safed'>,
  sheet: Sheet,
): void {
  const { pair: id, reading } = entry.body;
  const pair = id === undefined ? undefined : findPair(sheet, id);
  if (pair && reading && (draft.energy.kind === 'dead' || draft.energy.proven.has(pair.id)))
    seeVolts(draft, entry, sheet, {
      function: pair.function,
      reading,
      red: pair.from,
      black: pair.to,
    });
}

/** Open or back; unknown where two devices said different things without knowing of each other. */
export function applyAccess(draft: Draft, entry: StoredEntry & EntryOf<'access'>): void {
  const { access: id, back } = entry.body;
  const before = draft.accessBy.get(id);
  const crossed =
    before !== undefined && before.body.back !== back && !sawEntry(entry, before as StoredEntry);
  draft.accessBy.set(id, entry);
  if (crossed) {
    draft.accessUnknown.add(id);
    draft.access.delete(id);
    return;
  }
  draft.accessUnknown.delete(id);
  if (back) {
    draft.access.delete(id);
    draft.accessBack.add(id);
  } else {
    draft.access.add(id);
    draft.accessBack.delete(id);
  }
}
