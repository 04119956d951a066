/**
 * May this entry be appended? The same rule on the device and on the server. Refusals are about
 * safety and sense, never about the order of the work: the trail locks no other door.
 */
import { notDeadWords } from '../conditions/next-safe';
import { askedBy, resolveExpectation } from '../judge/given';
import { isSeries } from '../judge/test-expectation';
import { METER_FUNCTIONS } from '../meter/functions';
import { expectOf, functionOf } from '../sheet/all-tests';
import { findPart, findPoint, findTest } from '../sheet/lookup';
import { locate } from '../sheet/places';
import { isMeasured, type MeasureTest, type Sheet } from '../sheet/schema';
import { HALF_CHARACTER, illFormedAt, isWellFormed } from '../validation/well-formed';
import {
  access,
  dialRefusal,
  energised,
  energyRefusal,
  meterRefusal,
  purged,
  safeStep,
  voltsSeen,
  window,
} from './admit-energy';
import { leftOpen } from './access';
import type { EntryKind, EntryOf, LogEntry } from './entries';
import { sawEntry } from './log-order';
import { dutyOf } from './instruments';
import { refuse, type Refusal } from './refusal';
import type { FoldedEntry, JobState } from './state';

/** @returns undefined when the entry may be appended. */
export function refusalOf(sheet: Sheet, state: JobState, entry: LogEntry): Refusal | undefined {
  // The same words as at the server’s door: what could never be sent is not kept either.
  if (illFormedAt(entry.body) !== undefined || !isWellFormed(entry.author))
    return refuse('ill-formed-text', `That text ${HALF_CHARACTER}`);
  if (entry.kind === 'withdrawn') return withdrawal(state, entry);
  if (state.signed)
    return refuse('job-signed', 'This job is signed. Withdraw the signature to go on with it.');
  switch (entry.kind) {
    case 'opened':
      return state.log.length > 0 ? refuse('already-open', 'This job is open already.') : undefined;
    case 'safed':
      return blind(state, entry) ? undefined : safeStep(sheet, state, entry);
    case 'volts-seen':
      return voltsSeen(sheet, state, entry);
    case 'reading':
      return reading(sheet, state, entry);
    case 'series':
      return series(sheet, state, entry);
    case 'given':
      return given(sheet, entry);
    case 'answer':
      return answer(sheet, state, entry);
    case 'access':
      return access(sheet, state, entry, blind(state, entry));
    case 'energised':
      return energised(sheet, state, entry);
    case 'window':
      return window(sheet, state, entry);
    case 'purged':
      return purged(sheet, state, entry);
    case 'clock-stopped':
      return state.clocks.some((clock) => clock.entry === entry.body.clock)
        ? undefined
        : refuse('no-such-clock', 'That clock does not run any more.');
    case 'contact':
    case 'voided':
    case 'overruled':
      return remark(state, entry);
    case 'photo':
      return photo(sheet, entry);
    case 'skipped':
      return findTest(sheet, entry.body.test) ? undefined : unknownTest(entry.body.test);
    case 'decision':
      return decision(sheet, entry);
    case 'fitted':
      return fitted(sheet, state, entry);
    case 'signed':
      return signed(sheet, state, entry);
    default:
      return undefined;
  }
}

/**
 * Whether its device knew nothing of the latest danger when it wrote this: what was done in good faith is
 * kept as what was done. It proves nothing, and what it measured is void.
 */
const blind = (state: JobState, entry: LogEntry): boolean =>
  state.danger !== undefined && !sawEntry(entry, state.danger);

/** Parts are changed on a machine that is proven dead. */
function fitted(sheet: Sheet, state: JobState, entry: EntryOf<'fitted'>): Refusal | undefined {
  const { body } = entry;
  if (!findPart(sheet, body.part))
    return refuse('unknown-part', `This job’s sheet has no part “${body.part}”.`);
  return state.energy.kind === 'dead' || blind(state, entry)
    ? undefined
    : refuse(
        'dead-not-proven',
        `A part is fitted on a machine that is proven dead. ${notDeadWords(sheet, state.energy)}`,
      );
}

/** Before the names stand how the machine is left: its energy, and everything that is not back in place. */
function signed(sheet: Sheet, state: JobState, { body }: EntryOf<'signed'>): Refusal | undefined {
  if (!state.decision)
    return refuse(
      'decision-owed',
      'Decide first: a report needs a decision, if only to hand over.',
    );
  const { left } = body;
  if (!left)
    return refuse(
      'left-unsaid',
      'Say first how the machine is left: live or dead, closed or open.',
    );
  if (left.energy !== state.energy.kind)
    return refuse(
      'left-unsaid',
      'The machine is no longer as it was said to be left. Read that again, then sign.',
    );
  const said = new Set(left.open.filter(({ reason }) => reason.trim()).map(({ access }) => access));
  const unsaid = leftOpen(sheet, state).filter(({ id }) => !said.has(id));
  if (unsaid.length === 0) return undefined;
  return refuse(
    'left-unsaid',
    `Still open or out: ${unsaid.map(({ name, id }) => name ?? id).join(', ')}. Put it back and tick it, or write why it stays so.`,
  );
}

const unknownTest = (id: string) => refuse('unknown-test', `This job’s sheet has no test “${id}”.`);

/** What is said of an earlier finding must find it standing. */
function remark(
  state: JobState,
  entry: EntryOf<'contact'> | EntryOf<'voided'> | EntryOf<'overruled'>,
): Refusal | undefined {
  const target = [...state.current.values()].find((taken) => taken.entry === entry.body.entry);
  if (!target)
    return refuse('nothing-to-judge', 'That reading no longer stands: nothing can be said of it.');
  if (entry.kind === 'contact' && !(target.kind === 'reading' && target.judgement.contactOwed))
    return refuse('contact-not-owed', 'That reading owes no proof of contact.');
  return undefined;
}

function photo(sheet: Sheet, { body }: EntryOf<'photo'>): Refusal | undefined {
  const { place, spot, test } = body;
  const known =
    (place === undefined || locate(sheet, place)) &&
    (spot === undefined || sheet.boards.some((board) => board.id === spot.board)) &&
    (test === undefined || findTest(sheet, test));
  return known
    ? undefined
    : refuse('unknown-place', 'The picture is of a place that this job’s sheet does not have.');
}

/** The test and point that a figure belongs to, or why it belongs nowhere. */
function placeOf(
  sheet: Sheet,
  { body }: EntryOf<'reading'> | EntryOf<'series'>,
): Refusal | { test: MeasureTest; point: MeasureTest['points'][number] } {
  const test = findTest(sheet, body.test);
  if (test && !isMeasured(test))
    return refuse('unknown-test', `“${test.title}” takes an answer, not a figure.`);
  const point = test && findPoint(test, body.point);
  if (!test || !point) return unknownTest(`${body.test}@${body.point}`);
  const fn = functionOf(test, point);
  if (fn !== body.function)
    return refuse(
      'wrong-function',
      `This test wants the meter on ${METER_FUNCTIONS[fn].words}, not on ${METER_FUNCTIONS[body.function].words}.`,
    );
  return { test, point };
}

function reading(sheet: Sheet, state: JobState, entry: EntryOf<'reading'>): Refusal | undefined {
  const place = placeOf(sheet, entry);
  if ('code' in place) return place;
  const { test, point } = place;
  const { reading: figure } = entry.body;
  const { words, signed } = METER_FUNCTIONS[functionOf(test, point)];
  if (figure.kind === 'value' && figure.value < 0 && !signed)
    return refuse(
      'negative-reading',
      `A meter on ${words} shows nothing below zero. Check the figure.`,
    );
  const expect = expectOf(test, point);
  if (isSeries(expect))
    return refuse('not-a-series', `“${test.title}” wants a series of figures over time, not one.`);
  const asked = askedBy(expect);
  if (asked && !state.given.has(test.id))
    return refuse('given-owed', `First: ${asked.asks}. The limits of this test hang on it.`);
  return (
    (blind(state, entry) ? undefined : energyRefusal(sheet, state.energy, test)) ??
    dialRefusal(sheet, state, test, point) ??
    meterRefusal(state.meters, sheet, dutyOf(sheet, test, point, state.given.get(test.id)))
  );
}

function series(sheet: Sheet, state: JobState, entry: EntryOf<'series'>): Refusal | undefined {
  const place = placeOf(sheet, entry);
  if ('code' in place) return place;
  const { test, point } = place;
  if (!isSeries(expectOf(test, point)))
    return refuse('not-a-series', `“${test.title}” wants one figure, not a series.`);
  const { samples } = entry.body;
  if (samples.some(({ t }, i) => i > 0 && t < samples[i - 1]!.t))
    return refuse('not-in-order', 'The figures of a series must stand in the order of time.');
  return (
    (blind(state, entry) ? undefined : energyRefusal(sheet, state.energy, test)) ??
    dialRefusal(sheet, state, test, point) ??
    meterRefusal(state.meters, sheet, dutyOf(sheet, test, point))
  );
}

function given(sheet: Sheet, { body }: EntryOf<'given'>): Refusal | undefined {
  const test = findTest(sheet, body.test);
  if (!test || !isMeasured(test)) return unknownTest(body.test);
  const asking = test.points
    .map((point) => expectOf(test, point))
    .filter((expect) => !isSeries(expect))
    .filter((expect) => askedBy(expect));
  if (asking.length === 0)
    return refuse('unknown-test', `“${test.title}” asks for no such figure.`);
  const beyond = asking.some(
    (expect) => resolveExpectation(expect, body.value, sheet.curves ?? []) === undefined,
  );
  return beyond
    ? refuse(
        'given-beyond',
        'The sensor’s curve does not reach there. Check the figure and its unit.',
      )
    : undefined;
}

function answer(sheet: Sheet, state: JobState, entry: EntryOf<'answer'>): Refusal | undefined {
  const test = findTest(sheet, entry.body.test);
  if (!test || isMeasured(test)) return unknownTest(entry.body.test);
  if (!Object.hasOwn(test.answers, entry.body.answer))
    return refuse('unknown-answer', `“${entry.body.answer}” is not an answer to “${test.title}”.`);
  return blind(state, entry) ? undefined : energyRefusal(sheet, state.energy, test);
}

function decision(sheet: Sheet, { body }: EntryOf<'decision'>): Refusal | undefined {
  const { action, part, leading, reason } = body;
  if (action === 'replace' && (part === null || !findPart(sheet, part)))
    return refuse('unknown-part', 'Choose a part of this sheet, or hand the job over.');
  if (reason.trim() === '' && (action !== 'replace' || part !== leading))
    return refuse(
      'reason-owed',
      action === 'replace'
        ? 'Another part leads. Say why you choose this one; it goes on the record.'
        : 'Say why you stop here: the next person starts from it.',
    );
  return undefined;
}

const FACTS: ReadonlySet<EntryKind> = new Set(['opened', 'withdrawn', 'clock-set', 'volts-seen']);

/** Whether an entry can still be taken back: what the device itself noted cannot. */
export const canWithdraw = (entry: FoldedEntry): boolean =>
  entry.withdrawnBy === undefined && !FACTS.has(entry.kind);

function withdrawal(state: JobState, { body }: EntryOf<'withdrawn'>): Refusal | undefined {
  const target = state.log.find((each) => each.id === body.entry);
  if (!target || target.withdrawnBy !== undefined)
    return refuse('nothing-to-withdraw', 'There is nothing there to withdraw any more.');
  if (!canWithdraw(target)) return refuse('nothing-to-withdraw', 'This entry cannot be withdrawn.');
  if (state.signed && target.kind !== 'signed')
    return refuse('job-signed', 'This job is signed. Withdraw the signature first.');
  return undefined;
}
