/** What a step of proving dead does to the energy state. */
import { isolate, readPair, storeVolts, withProof, withReading } from '../../conditions/energy';
import { fastStore } from '../../conditions/fast-store';
import { BUS } from '../../conditions/lift';
import { findPair, pairsOf } from '../../conditions/pairs';
import { sourceProblem } from '../../conditions/sources';
import { accuracyAt } from '../../meter/profile';
import type { Sheet } from '../../sheet/schema';
import { instrumentFor, instrumentOf } from '../findings/instruments';
import { sawEntry } from '../log/log-order';
import { momentOf } from '../log/moment-of';
import type { Draft } from '../state/draft';
import type { SafeEntry } from './safe-step';
import { seeVolts } from './see-volts';

export function applyStep(draft: Draft, entry: SafeEntry, sheet: Sheet): void {
  // Of two devices that did not know of each other, the more dangerous energy holds.
  if (draft.danger && !sawEntry(entry, draft.danger)) return;
  const { step, function: fn, source, reading } = entry.body;
  const moment = momentOf(entry);
  switch (step) {
    case 'isolated':
      // Isolated, no test mode runs on.
      draft.spells.clear();
      delete draft.entered;
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

function pairMeasured(draft: Draft, entry: SafeEntry, sheet: Sheet, id: string | undefined): void {
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

/** A pair's figure that was taken back may have stood there all the same. */
export function seeWithdrawnPair(draft: Draft, entry: SafeEntry, sheet: Sheet): void {
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
