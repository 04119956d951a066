/** The service report as data: every figure with its limit and source. Setting it is the screen's. */
import type { EnergyKind } from '../conditions/energy';
import { leftOpen } from '../job/state/access';
import { assess, type Assessment } from '../diagnose/assess';
import { foldJob } from '../job/fold/fold';
import { evidenceName } from '../diagnose/evidence-name';
import type { Suspect } from '../diagnose/suspects';
import { SPECIMEN_WORDS } from '../job/work/specimen';
import {
  type Compared,
  isSilent,
  type JobState,
  type Silent,
  type Standing,
  type Taken,
  type TakenGroup,
  type TakenReading,
  type TakenSeries,
} from '../job/state/state';
import { CONTACT_WORDS } from '../job/kinds/contact';
import { endingWords } from '../job/endings/ending';
import type { Decision } from '../job/state/facts';
import { answerWords, outcomesFound } from '../job/findings/finds';
import { workWords } from '../job/kinds/work';
import { photoPlace } from '../job/kinds/photo';
import { recordWords } from '../job/kinds/said-of';
import type { FoldedEntry } from '../job/log/entry';
import { placementWords } from '../sheet/placement';
import { notProvenWords } from '../diagnose/not-proven';
import { ruleTitle } from '../judge/groups/index';
import { expectWords, isSeries } from '../judge/test-expectation';
import { limitWords, outcomeWords, verdictWords } from '../judge/words';
import { resolveExpectation } from '../judge/given';
import { readingWords } from '../judge/reading-words';
import { durationOf } from '../judge/series/samples';
import { METER_FUNCTIONS } from '../meter/functions';
import { findAccess, stateName, stateOf } from '../sheet/lookup';
import { expectOf, functionOf, testsOf } from '../sheet/all-tests';
import { observablesOf } from '../sheet/observables';
import { movedWords } from '../sheet/moved-pins';
import type { Sheet } from '../sheet/schema';
import { insulationWords } from '../job/findings/insulation';
import { episodesOf } from '../job/history/episodes';
import type { NotedHistory } from '../job/history/history';
import { aheadOf } from '../job/endings/ahead';
import { ACCEPT_WORDS } from '../job/kinds/accepted';
import { asked } from '../job/kinds/asked';
import type { BodyOf } from '../job/kinds/index';
import { matched } from '../job/kinds/matched';
import { setting } from '../job/kinds/setting';
import { watched } from '../job/kinds/watched';
import { mendedOf } from '../job/mended/mended';
import { fittedIn } from '../job/work/work';
import type { Report, ReportRow } from './report-schema';

import { formatQuantity } from '../units/format';
import { sentence } from '../units/sentence';
import { nth } from '../numeric/nth';

const WORTH_PRINTING = 0.05;

/** `Stored history, 8 entries. Came first: A12-2, driver silent (28.11.2026 05:41).` */
function historyLine(sheet: Sheet, { rows }: NotedHistory): string {
  const first = episodesOf(sheet, rows)
    .filter(({ old }) => !old)
    .flatMap(({ faults }) => faults.filter(({ role }) => role === 'first'))
    .map(({ row, listed, unit }) => {
      const what = [row.shown, unit !== undefined && `unit ${unit}`, listed?.title.toLowerCase()];
      const at = row.at && ` (${row.at.replace('T', ' ').slice(0, 16)})`;
      return `${what.filter(Boolean).join(', ')}${at ?? ''}`;
    });
  return `Stored history, ${rows.length} ${rows.length === 1 ? 'entry' : 'entries'}. Came first: ${first.join('; ')}.`;
}

export function buildReport(sheet: Sheet, state: JobState, assessment: Assessment): Report {
  const { decision, signed } = state;
  const then = assessedAtDecision(sheet, state) ?? assessment;
  const mended = mendedOf(sheet, state);
  return {
    complaint: state.complaint,
    codes: state.codes.map((code) => ({
      shown: code.shown,
      title: code.listed?.title ?? 'not on this sheet',
    })),
    noCode: state.noCode,
    observed: [
      ...state.observed.map((entry) => entry.body.text),
      ...(state.histories ?? []).map((history) => historyLine(sheet, history)),
      // Whoever holds a line against the maker's table must know it.
      ...Object.entries(sheet.moved ?? {}).map(([ref, at]) => `${movedWords(ref, at)}.`),
    ],
    dead: deadRecord(sheet, state.log),
    left: leftLines(sheet, state),
    rows: state.taken.flatMap((taken) => [
      rowOf(sheet, taken),
      ...state.groups
        .filter((group) => group.entry === taken.entry)
        .map((group) => groupRow(sheet, taken, group)),
    ]),
    compared: state.compared.map((each) => comparedLine(sheet, each)),
    suspects: then.suspects.filter((s) => s.p >= WORTH_PRINTING).map(suspectRow),
    other: then.other.p,
    sound: then.sound.p,
    ...(state.works.length > 0 && { remains: remainsOf(assessment) }),
    cleared: clearedOf(then),
    notProven: notProvenLines(sheet, assessment, state),
    repair: repairLines(sheet, state),
    skipped: skippedLines(sheet, state),
    photos: state.photos.map(({ at, body }) => ({
      hash: body.hash,
      at,
      caption: body.caption,
      where: photoPlace(sheet, body),
    })),
    meter: state.meters.map(({ name }) => name).join('; ') || 'not stated: readings taken as exact',
    lead: state.lead ? formatQuantity(state.lead.value, 'ohm') : 'not zeroed',
    ...(decision && { decision: decisionLines(sheet, decision.body) }),
    ...(state.accepted && { accepted: acceptedOf(state, state.accepted) }),
    ahead: aheadOf(sheet, state).map(({ on, text }) => ({ on, text })),
    ...(mended && { proven: mended.proven }),
    ...(signed && { signed: { at: signed.at, ...signed.body, ...secondOf(sheet, state) } }),
  };
}

/** Whose signature stands beside; null while it is owed, nothing where no sheet asks. */
function secondOf({ safety }: Sheet, { countersigned }: JobState) {
  if (countersigned)
    return {
      second: {
        name: countersigned.author,
        at: countersigned.at,
        note: countersigned.body.note,
      },
    };
  return safety.secondSignature ? { second: null } : {};
}

const acceptedOf = ({ decision }: JobState, { at, body }: NonNullable<JobState['accepted']>) => {
  const { decision: of, ...said } = body;
  return { at, ...said, how: ACCEPT_WORDS[body.how], current: of === decision?.id };
};

/** Belief as it was when the technician decided; undefined where nothing was found or done since. */
function assessedAtDecision(sheet: Sheet, state: JobState): Assessment | undefined {
  const at = state.log.findIndex(({ id }) => id === state.decision?.id);
  const since = new Set(state.log.slice(at + 1).map(({ id }) => id));
  const later = [...state.taken.map(({ entry }) => entry), ...state.works.map(({ id }) => id)];
  if (at < 0 || !later.some((entry) => since.has(entry))) return undefined;
  // Taken back later, it was not believed then either.
  const before = state.log.slice(0, at + 1).filter(({ withdrawnBy }) => withdrawnBy === undefined);
  return assess(sheet, foldJob(sheet, before));
}

/** Below this a part is out of it, where a finding said so. */
const CLEARED = 0.02;

const clearedOf = ({ parts }: Assessment): string[] =>
  parts
    .filter(
      ({ p, weights }) =>
        p < CLEARED &&
        weights.some(
          ({ direction, strength }) => direction === 'against' && strength !== 'nothing',
        ),
    )
    .map(({ part }) => part.name);

/** What may still be wrong after the work. */
const remainsOf = ({ suspects, other, sound }: Assessment) => ({
  suspects: suspects
    .filter(({ now }) => now >= WORTH_PRINTING)
    .sort((a, b) => b.now - a.now)
    .map((suspect) => suspectRow({ ...suspect, p: suspect.now })),
  other: other.p,
  sound: sound.p,
});

const suspectRow = ({ fault, part, p }: Suspect) => ({
  name: fault.name,
  part: part?.name ?? 'no part',
  p,
});

/** `Service data DF-7, revision B, page 12`. */
export function sourceWords(sheet: Sheet, page?: string): string {
  const { document, revision } = sheet.source;
  return [document, revision && `revision ${revision}`, page && `page ${page}`]
    .filter(Boolean)
    .join(', ');
}

function rowOf(sheet: Sheet, taken: Taken): ReportRow {
  const { test, standing } = taken;
  const common = {
    entry: taken.entry,
    at: taken.at,
    title: test.title,
    state: stateName(stateOf(sheet, test)),
    source: [sheet.source.document, test.page && `p. ${test.page}`].filter(Boolean).join(', '),
  };
  const standingMark = standing.kind === 'counts' ? undefined : standing.kind;
  const standingWords = wordsOf(standing);
  if (taken.kind === 'answer') {
    return {
      ...common,
      where: taken.test.asks,
      function: taken.test.how,
      value: answerWords(taken),
      uncertainty: '',
      limit: Object.entries(taken.test.answers)
        .filter(([, outcome]) => outcome === 'ok')
        .map(([answer]) => answer)
        .join(' or '),
      verdict:
        standingWords ??
        [
          taken.outcome === 'ok'
            ? 'Good'
            : `Out: ${outcomesFound(taken).map(outcomeWords).join(', ')}`,
          overruledWords(taken),
        ]
          .filter(Boolean)
          .join('; '),
      mark: standingMark ?? (taken.outcome === 'ok' ? 'in' : 'out'),
      outcome: taken.outcome,
    };
  }
  return {
    ...common,
    ...figureRow(sheet, taken, standingWords),
    mark: standingMark ?? taken.judgement.verdict,
  };
}

const SILENT_WORDS: Readonly<Record<Silent['kind'], string>> = {
  void: 'Void',
  waits: 'Waits',
  'one-sided': 'Cannot tell',
};

/** @returns undefined for a finding that counts. */
function wordsOf(standing: Standing): string | undefined {
  if (standing.kind === 'counts') return undefined;
  if (isSilent(standing)) return `${SILENT_WORDS[standing.kind]}: ${standing.because}`;
  return standing.kind === 'withdrawn' ? 'Withdrawn' : 'Repeated later';
}

type FigureRow = Omit<ReportRow, 'entry' | 'at' | 'title' | 'state' | 'source' | 'mark'>;

function figureRow(
  sheet: Sheet,
  taken: TakenReading | TakenSeries,
  standingWords: string | undefined,
): FigureRow {
  const { judgement, test, point } = taken;
  const wanted = expectOf(test, point);
  const { unit } = wanted;
  const plain =
    taken.kind === 'reading' && !isSeries(wanted)
      ? resolveExpectation(wanted, taken.given, sheet.curves ?? [])
      : undefined;
  return {
    where: placementWords(sheet, point),
    function: METER_FUNCTIONS[functionOf(test, point)].words,
    value:
      taken.kind === 'series'
        ? seriesWords(taken)
        : readingWords(taken.reading, unit, judgement.corrected),
    uncertainty:
      taken.kind === 'reading' && judgement.u
        ? `± ${formatQuantity(judgement.u * Math.sqrt(3), unit, 2)}`
        : '',
    limit: plain ? limitWords(plain) : expectWords(wanted),
    verdict: standingWords ?? fullVerdict(taken),
    outcome: judgement.outcome,
  };
}

/** `12 figures in 30 s, 2.7 to 2.9 V`. */
export function seriesWords({ series: { samples }, test, point }: TakenSeries): string {
  const { unit } = expectOf(test, point);
  const all = samples.map(({ value }) => value);
  const seconds = Math.round(durationOf(samples));
  const show = (value: number) => formatQuantity(value, unit, 3);
  return `${samples.length} figures in ${seconds} s, ${show(Math.min(...all))} to ${show(Math.max(...all))}`;
}

/** `overruled, taken as good: nuisance dirt on the pin`; undefined where nobody overruled. */
export function overruledWords({ overruled }: Taken): string | undefined {
  return overruled && `overruled, taken as ${overruled.as}: ${overruled.reason}`;
}

/** Verdict with the remarks that a reader of the report must know. */
function fullVerdict(taken: TakenReading | TakenSeries): string {
  const { judgement, agreeing } = taken;
  const remarks = [
    verdictWords(judgement),
    taken.simulated && 'simulated, off no real machine',
    judgement.signFlagged && 'sign reversed',
    judgement.assumed && 'house tolerance',
    judgement.contactOwed && 'contact not proven',
    taken.kind === 'reading' && taken.insulation && insulationWords(taken.insulation),
    taken.kind === 'reading' && taken.contact && `contact: ${CONTACT_WORDS[taken.contact]}`,
    agreeing > 0 && judgement.verdict !== 'in' && `read ${agreeing + 1} times`,
    overruledWords(taken),
  ];
  return remarks.filter(Boolean).join('; ');
}

/** `Cabinet sensor, the new part, before fitting: 5.2 kΩ, in`. */
function comparedLine(sheet: Sheet, each: Compared): string {
  const { specimen, test, point, reading, judgement } = each;
  const { unit } = expectOf(test, point);
  const value = readingWords(reading, unit, judgement.corrected);
  const part = sheet.parts.find(({ id }) => id === specimen.part)?.name;
  const of = [SPECIMEN_WORDS[specimen.kind], part, specimen.name].filter(Boolean).join(', ');
  return `${test.title}, of ${of}: ${value}, ${verdictWords(judgement).toLowerCase()}.`;
}

function groupRow(
  sheet: Sheet,
  taken: Taken,
  { test, title, rule, judgement, entry }: TakenGroup,
): ReportRow {
  return {
    entry,
    at: taken.at,
    title,
    where: test ? ruleTitle(rule) : 'several tests',
    state: test ? stateName(stateOf(sheet, test)) : '',
    function: 'taken together',
    value: judgement.sentence ?? '',
    uncertainty: '',
    limit: '',
    verdict: verdictWords(judgement),
    mark: judgement.verdict,
    outcome: judgement.outcome,
    source: [sheet.source.document, test?.page && `p. ${test.page}`].filter(Boolean).join(', '),
  };
}

function deadRecord(sheet: Sheet, log: readonly FoldedEntry[]): Report['dead'] {
  return log.flatMap((entry) => {
    const text = entry.withdrawnBy === undefined ? recordWords(entry, sheet) : undefined;
    return text === undefined ? [] : [{ at: entry.at, text }];
  });
}

const ENERGY_LEFT: Readonly<Record<EnergyKind, string>> = {
  live: 'Supply on: the machine is LIVE.',
  'not-proven': 'Supply off as far as was said, and NOT PROVEN dead.',
  dead: 'Isolated, and proven DEAD.',
};

/** How the machine is left: its energy, what was put back, and what stays open and why. */
export function leftLines(sheet: Sheet, state: JobState): string[] {
  const name = (id: string) => findAccess(sheet, id)?.name ?? id;
  const left = state.signed?.body.left;
  const reasons = new Map(left?.open.map(({ access, reason }) => [access, reason]));
  const open = leftOpen(sheet, state);
  const back = (sheet.access ?? []).filter(
    ({ id }) => state.accessBack.has(id) && !open.some((each) => each.id === id),
  );
  return [
    ENERGY_LEFT[state.energy.kind],
    ...(back.length > 0
      ? [`Put back: ${back.map((each) => each.name ?? each.id).join('; ')}.`]
      : []),
    ...open.map(
      ({ id }) =>
        `${state.accessUnknown.has(id) ? 'Not known whether back' : 'Left open or out'}: ${name(id)}${reasons.has(id) ? `. ${reasons.get(id)}` : ''}`,
    ),
    ...(left?.note.trim() ? [left.note.trim()] : []),
  ];
}

/** What is not proven of the work done here begins with these words. */
export const REPAIR_ITSELF = 'The repair itself';

function notProvenLines(sheet: Sheet, assessment: Assessment, state: JobState): string[] {
  const lines = assessment.notProven.map(notProvenWords);
  if (assessment.surprise) {
    const { from } = assessment.surprise.item;
    lines.unshift(
      `One reading quarrels with all the others and was not repeated: ${evidenceName(from, sheet)}.`,
    );
  }
  if (assessment.unexplained) lines.unshift('This sheet does not explain what was found.');
  const mended = mendedOf(sheet, state);
  const proof = mended?.proof;
  const endings = state.decision?.body.endings ?? [];
  if (!proof && endings.some(({ kind }) => kind !== 'sound' && kind !== 'release'))
    lines.push(`${REPAIR_ITSELF}: nothing was fitted or proven on this visit.`);
  if (proof && !proof.proven) {
    const owed = [...proof.owed, ...proof.bad].map(takenName);
    lines.push(
      owed.length > 0
        ? `${REPAIR_ITSELF}; still bad or not measured again: ${[...new Set(owed)].join('; ')}.`
        : `${REPAIR_ITSELF}: nothing that was bad was measured again.`,
    );
  } else if (mended && !mended.proven) lines.push(`${REPAIR_ITSELF}: ${mended.owed.join('; ')}.`);
  return lines;
}

const takenName = (taken: Taken): string =>
  taken.kind !== 'answer' && taken.test.points.length > 1
    ? `${taken.test.title}, ${taken.point.id}`
    : taken.test.title;

function repairLines(sheet: Sheet, state: JobState): string[] {
  const mended = mendedOf(sheet, state);
  return [
    ...[...state.asked.values()].map(({ body }) => `${saidOfAsk(sheet, body)}.`),
    ...[...state.matched.values()].map(({ body }) => `${sentence(matched.words(body, sheet))}.`),
    ...state.works.map(({ body }) => `${workWords(body, sheet)}.`),
    ...[...state.settings.values()].map(({ body }) => `${setting.words(body, sheet)}.`),
    ...movedWires(sheet, state),
    ...(mended?.proof.good ?? []).map((taken) => `Measured again and good: ${takenName(taken)}.`),
    ...(mended?.steps ?? []).flatMap(({ watched: seen }) =>
      seen ? [`${watched.words(seen.body, sheet)}: ${seen.judged.sentence ?? ''}`] : [],
    ),
    ...(mended?.proof.proven && mended.proof.good.length > 0
      ? ['Everything that was bad before is good now.']
      : []),
    ...(mended?.proven ? ['The repair is proven.'] : []),
  ];
}

const saidOfAsk = (sheet: Sheet, body: BodyOf<'asked'>): string =>
  `${sheet.parts.find(({ id }) => id === body.part)?.name ?? body.part}: ${asked.words(body, sheet)}`;

/** `Wires moved by the map “Fit a substitute defrost board”: 6 of 6.` */
function movedWires(sheet: Sheet, { ticks, works }: JobState): string[] {
  const fitted = fittedIn(works);
  return (sheet.procedures ?? []).flatMap(({ id, for: part, title, wireMap = [] }) => {
    if (wireMap.length === 0 || part === undefined || !fitted.has(part)) return [];
    const moved = wireMap.filter((_, i) => ticks.has(`${id} wire ${i}`)).length;
    return [`Wires moved by the map “${title ?? id}”: ${moved} of ${wireMap.length}.`];
  });
}

/** A test left out whole is one line; single points of it are named. */
function skippedLines(sheet: Sheet, state: JobState): Report['skipped'] {
  return testsOf(sheet).flatMap((test) => {
    const skipped = observablesOf(test, sheet).filter((each) => state.skipped.has(each.id));
    const reasons = new Set(skipped.map((each) => state.skipped.get(each.id) ?? ''));
    if (skipped.length === observablesOf(test, sheet).length && reasons.size === 1)
      return [{ title: test.title, reason: nth([...reasons], 0) }];
    return skipped.map((each) => ({
      title: `${test.title}, ${each.point}`,
      reason: state.skipped.get(each.id) ?? '',
    }));
  });
}

function decisionLines(
  sheet: Sheet,
  { endings, leading, probability, reason, against }: Decision,
): NonNullable<Report['decision']> {
  const parts = endings.flatMap(({ part }) => sheet.parts.find(({ id }) => id === part) ?? []);
  const replaced = endings.filter(({ kind }) => kind === 'replace');
  return {
    text: endings.map((ending) => endingWords(sheet, ending)).join('; '),
    number: parts.flatMap(({ number }) => number ?? []).join('; '),
    probability,
    reason: [
      ...endings.flatMap(({ kind, note }) => (kind === 'repair' ? [] : (note ?? []))),
      reason,
    ]
      .filter((text) => text.trim() !== '')
      .join('; '),
    followsEvidence: replaced.length > 0 && replaced.every(({ part }) => part === leading),
    accused: leading !== null,
    before: parts.flatMap(({ before }) => before ?? []),
    ...(against && { against }),
  };
}
