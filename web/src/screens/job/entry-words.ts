import {
  CONTACT_WORDS,
  ENDING_WORDS,
  expectOf,
  findState,
  findAccess,
  findTest,
  formatQuantity,
  photoPlace,
  placementWords,
  safeWords,
  stateName,
  stillAsked,
  voltsSeenWords,
  isMeasured,
  type FoldedEntry,
  type LogEntry,
  type Reading,
  type Sheet,
  type Unit,
} from '@jeitinho/core';
import { durationWords } from '../../data/now';

const figure = (reading: Reading, unit: Unit) =>
  reading.kind === 'overload' ? 'OL' : formatQuantity(reading.value, unit);

/** One line of the roll in words. */
export function entryWords(entry: LogEntry | FoldedEntry, sheet: Sheet): string {
  switch (entry.kind) {
    case 'opened':
      return 'Job opened';
    case 'arrived':
      return entry.body.plate === 'matches'
        ? 'Data plate matches'
        : `Data plate differs. ${entry.body.note}`;
    case 'observed':
      return entry.body.text;
    case 'code':
      return entry.body.shown === null ? 'No code shown' : `Code ${entry.body.shown}`;
    case 'access': {
      const { access, back } = entry.body;
      const name = findAccess(sheet, access)?.name ?? access;
      return back ? `Put back: ${name}` : name;
    }
    case 'licence':
      return entry.body.held
        ? `Licences held${entry.body.who ? ` by ${entry.body.who}` : ''}`
        : 'Licence not held here';
    case 'safed':
      return safeWords(sheet, entry.body);
    case 'volts-seen':
      return voltsSeenWords(sheet, entry.body);
    case 'energised':
      return `Live work: precautions read${entry.body.second ? `; in reach: ${entry.body.second}` : ''}`;
    case 'window':
      return `Begun: ${stateWords(sheet, entry.body.state)}`;
    case 'purged':
      return `Purged: ${stateWords(sheet, entry.body.state)}`;
    case 'clock':
      return `Clock: ${entry.body.name}, ${durationWords(entry.body.seconds)}`;
    case 'clock-stopped':
      return 'Clock answered';
    case 'clock-set':
      return `This device’s clock was set by ${entry.body.seconds < 0 ? '−' : '+'}${durationWords(Math.abs(entry.body.seconds))}; waits were kept`;
    case 'contact':
      return `Contact proven: ${CONTACT_WORDS[entry.body.how]}`;
    case 'voided':
      return `Void: ${entry.body.reason}`;
    case 'overruled':
      return `Overruled, taken as ${entry.body.as}: ${entry.body.reason}`;
    case 'photo': {
      const where = photoPlace(sheet, entry.body);
      return ['Photo', where, entry.body.caption].filter(Boolean).join(': ');
    }
    case 'fitted': {
      const part = sheet.parts.find(({ id }) => id === entry.body.part);
      return `Fitted: ${part?.name ?? entry.body.part}`;
    }
    case 'lead':
      return `Leads zeroed at ${formatQuantity(entry.body.value, 'ohm')}`;
    case 'reading': {
      const test = findTest(sheet, entry.body.test);
      const point =
        test && isMeasured(test) && test.points.find((each) => each.id === entry.body.point);
      if (!test || !isMeasured(test) || !point) return 'Reading of an unknown test';
      const { unit } = expectOf(test, point);
      return `${test.title}: ${figure(entry.body.reading, unit)}. ${placementWords(sheet, point)}`;
    }
    case 'series': {
      const { test, samples } = entry.body;
      return `${findTest(sheet, test)?.title ?? 'Series'}: ${samples.length} figures in ${Math.round(samples.at(-1)!.t)} s`;
    }
    case 'given': {
      const test = findTest(sheet, entry.body.test);
      const point = test && isMeasured(test) ? test.points[0] : undefined;
      const asked =
        test && isMeasured(test) && point && stillAsked({ given: new Map() }, test, point);
      return asked
        ? `${asked.asks}: ${formatQuantity(entry.body.value, asked.unit)}`
        : 'A figure that limits hang on';
    }
    case 'meter':
      return `Meter in hand: ${entry.body.meter.name}`;
    case 'answer':
      return `${findTest(sheet, entry.body.test)?.title ?? 'Question'}: ${entry.body.answer}`;
    case 'skipped':
      return `Skipped: ${findTest(sheet, entry.body.test)?.title ?? entry.body.test}. ${entry.body.reason}`;
    case 'decision':
      return entry.body.action === 'replace'
        ? `Decided: ${sheet.parts.find((part) => part.id === entry.body.part)?.name ?? entry.body.part}`
        : `Decided: ${ENDING_WORDS[entry.body.action].toLowerCase()}`;
    case 'signed':
      return `Signed by ${entry.body.technician}`;
    case 'withdrawn':
      return 'Withdrew an entry';
    default:
      entry satisfies never;
      return 'An entry of a newer kind';
  }
}

const stateWords = (sheet: Sheet, id: string) => {
  const state = findState(sheet, id);
  return state ? stateName(state) : id;
};
