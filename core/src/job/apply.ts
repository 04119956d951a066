/** What one entry changes in a job that is being folded. */
import { matchCode } from '../codes/match';
import { doubt, otherMeter } from '../conditions/energy';
import type { MeterProfile } from '../meter/profile';
import { findTest } from '../sheet/lookup';
import { observableId } from '../sheet/observables';
import { isMeasured, type Sheet } from '../sheet/schema';
import type { Draft } from './draft';
import type { BodyOf, EntryOf } from './entries';
import {
  applyAccess,
  applyEnergised,
  applySafed,
  seeTestVolts,
  seeVolts,
  seeWithdrawnPair,
} from './fold-energy';
import { keepTaken } from './keep-taken';
import type { FoldedEntry } from './state';
import { take } from './take';
import { begin, countAttempt, namedClock, setClock } from './waiting';

/** The draft is changed in place; the entry says by itself whether it was withdrawn. */
export function apply(draft: Draft, entry: FoldedEntry, sheet: Sheet): void {
  if (entry.withdrawnBy !== undefined) {
    applyWithdrawn(draft, entry, sheet);
    return;
  }
  switch (entry.kind) {
    case 'opened':
      draft.complaint = entry.body.complaint;
      if (entry.body.meter) takeInHand(draft, entry.body.meter);
      break;
    case 'meter':
      takeInHand(draft, entry.body.meter);
      break;
    case 'given':
      draft.given.set(entry.body.test, entry.body.value);
      break;
    case 'arrived':
      draft.arrived = entry;
      break;
    case 'observed':
      draft.observed.push(entry);
      break;
    case 'code':
      readCode(draft, entry, sheet);
      break;
    case 'access':
      applyAccess(draft, entry);
      break;
    case 'licence':
      draft.licence = entry;
      break;
    case 'safed':
      applySafed(draft, entry, sheet);
      break;
    case 'volts-seen':
      seeVolts(draft, entry, sheet, entry.body);
      break;
    case 'energised':
      applyEnergised(draft, entry);
      break;
    case 'window':
      begin(draft, entry, sheet);
      break;
    case 'purged':
      draft.attempts.delete(entry.body.state);
      break;
    case 'clock':
      draft.clocks.push(namedClock(entry));
      break;
    case 'clock-stopped':
      draft.clocks = draft.clocks.filter((clock) => clock.entry !== entry.body.clock);
      break;
    case 'clock-set':
      setClock(draft, entry.body.seconds * 1000);
      break;
    case 'contact':
      draft.contacts.set(entry.body.entry, entry.body.how);
      break;
    case 'voided':
      draft.voided.set(entry.body.entry, entry.body.reason);
      break;
    case 'overruled': {
      const { entry: of, as, reason } = entry.body;
      draft.overruled.set(of, { entry: entry.id, as, reason });
      break;
    }
    case 'photo':
      draft.photos.push(entry);
      break;
    case 'lead':
      draft.lead = entry.body;
      break;
    case 'reading':
    case 'series':
    case 'answer': {
      if (entry.kind !== 'answer') seeTestVolts(draft, entry, sheet);
      const taken = take(draft, entry, sheet);
      if (taken) keepTaken(draft, taken);
      break;
    }
    case 'skipped':
      skip(draft, entry.body, sheet);
      break;
    case 'decision':
      draft.decision = entry;
      break;
    case 'fitted':
      draft.fitted.push(entry);
      break;
    case 'signed':
      draft.signed = entry;
      break;
    case 'withdrawn':
      break;
    default:
      // Stored logs may be newer than this code: an unknown kind is kept in the log and skipped.
      entry satisfies never;
  }
}

function applyWithdrawn(draft: Draft, entry: FoldedEntry, sheet: Sheet): void {
  if (entry.kind === 'energised') {
    draft.energy = doubt(entry.at);
    draft.danger = entry;
  }
  // What was typed and taken back may have been seen all the same: the proof does not come back with it.
  if (entry.kind === 'reading' || entry.kind === 'series') seeTestVolts(draft, entry, sheet);
  if (entry.kind === 'safed') seeWithdrawnPair(draft, entry, sheet);
  // The gas of an attempt that was taken back may be in the chamber all the same.
  if (entry.kind === 'window') countAttempt(draft, entry, sheet);
  if (entry.kind === 'reading' || entry.kind === 'series' || entry.kind === 'answer') {
    const taken = take(draft, entry, sheet);
    if (taken) keepTaken(draft, { ...taken, standing: { kind: 'withdrawn' } });
  }
}

function readCode(draft: Draft, entry: EntryOf<'code'>, sheet: Sheet): void {
  const { shown } = entry.body;
  if (shown === null) {
    draft.noCode = true;
    return;
  }
  const listed = matchCode(sheet, shown);
  draft.codes.push({ entry: entry.id, at: entry.at, shown, ...(listed && { listed }) });
}

/** The latest meter comes first; taken up again, it moves to the front. */
function takeInHand(draft: Draft, meter: MeterProfile): void {
  if (draft.meter?.id !== meter.id) draft.energy = otherMeter(draft.energy);
  draft.meter = meter;
  draft.meters = [meter, ...draft.meters.filter((each) => each.id !== meter.id)];
}

function skip(draft: Draft, body: BodyOf<'skipped'>, sheet: Sheet): void {
  const test = findTest(sheet, body.test);
  if (!test) return;
  const points =
    isMeasured(test) && body.point === undefined
      ? test.points.map((point) => point.id)
      : [body.point];
  for (const point of points) draft.skipped.set(observableId(test, point), body.reason);
}
