/** The service report as data: every figure with its limit and source. Setting it is the screen's. */
import { comesBack } from '../conditions/come-back';
import type { EnergyKind } from '../conditions/energy';
import { lostWords } from '../conditions/next-safe';
import { findPair } from '../conditions/pairs';
import { sourceName } from '../conditions/sources';
import { leftOpen } from '../job/access';
import type { Assessment, Suspect } from '../job/assess';
import type {
  FoldedEntry,
  JobState,
  Taken,
  TakenGroup,
  TakenReading,
  TakenSeries,
} from '../job/state';
import type { ContactProof, DecisionAction, EntryOf } from '../job/entries';
import { notProvenWords } from '../job/not-proven';
import { ruleTitle } from '../judge/groups/rules';
import { expectWords } from '../judge/test-expectation';
import { limitWords, outcomeWords, verdictWords } from '../judge/words';
import { isSeries } from '../judge/test-expectation';
import { resolveExpectation } from '../judge/given';
import { METER_FUNCTIONS } from '../meter/functions';
import { findAccess, stateName, stateOf } from '../sheet/lookup';
import { expectOf, functionOf, testsOf } from '../sheet/all-tests';
import { observablesOf } from '../sheet/observables';
import { locate, placeName } from '../sheet/places';
import type { Sheet } from '../sheet/schema';
import { proofOf } from '../job/proof';
import { formatQuantity } from '../units/format';

export interface ReportRow {
  readonly entry: string;
  readonly at: string;
  readonly title: string;
  /** `Red on N, black on U`, or the question asked. */
  readonly where: string;
  readonly state: string;
  readonly function: string;
  /** `0.46 V`, `OL`, or the answer given. */
  readonly value: string;
  /** `± 0.01 V`: the meter's limits of error there; empty where the meter is unknown. */
  readonly uncertainty: string;
  readonly limit: string;
  readonly verdict: string;
  readonly mark:
    'in' | 'watch' | 'out' | 'cannot-tell' | 'not-settled' | 'void' | 'withdrawn' | 'repeated';
  /** Likeliest class, such as `low`; tells to which side an `out` fell. */
  readonly outcome: string;
  /** `Service data DF-7, p. 12`; the report names the revision once. */
  readonly source: string;
}

export interface Report {
  readonly complaint: string;
  readonly codes: readonly { readonly shown: string; readonly title: string }[];
  readonly noCode: boolean;
  readonly observed: readonly string[];
  readonly dead: readonly { readonly at: string; readonly text: string }[];
  /** How the machine is left: energy, what was put back, what stays open and why. */
  readonly left: readonly string[];
  readonly rows: readonly ReportRow[];
  /** Likeliest first; those under 2 % left out. */
  readonly suspects: readonly {
    readonly name: string;
    readonly part: string;
    readonly p: number;
  }[];
  readonly other: number;
  readonly notProven: readonly string[];
  /** What was fitted, and what was measured again after it. */
  readonly repair: readonly string[];
  readonly skipped: readonly { readonly title: string; readonly reason: string }[];
  readonly photos: readonly {
    readonly hash: string;
    readonly at: string;
    readonly caption: string;
    readonly where: string;
  }[];
  readonly meter: string;
  readonly lead: string;
  readonly decision?: {
    readonly text: string;
    readonly number: string;
    readonly probability: number;
    readonly reason: string;
    readonly followsEvidence: boolean;
    readonly before: readonly string[];
  };
  readonly signed?: {
    readonly at: string;
    readonly technician: string;
    readonly customer: string;
    readonly note: string;
  };
}

const WORTH_PRINTING = 0.02;

export function buildReport(sheet: Sheet, state: JobState, assessment: Assessment): Report {
  const { decision, signed } = state;
  return {
    complaint: state.complaint,
    codes: state.codes.map((code) => ({
      shown: code.shown,
      title: code.listed?.title ?? 'not on this sheet',
    })),
    noCode: state.noCode,
    observed: state.observed.map((entry) => entry.body.text),
    dead: deadRecord(sheet, state.log),
    left: leftLines(sheet, state),
    rows: state.taken.flatMap((taken) => [
      rowOf(sheet, taken),
      ...state.groups
        .filter((group) => group.entry === taken.entry)
        .map((group) => groupRow(sheet, taken, group)),
    ]),
    suspects: assessment.suspects.filter((s) => s.p >= WORTH_PRINTING).map(suspectRow),
    other: assessment.other.p,
    notProven: notProvenLines(assessment, state),
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
    ...(signed && { signed: { at: signed.at, ...signed.body } }),
  };
}

/** `Inverter board, CN2 pin 1`; empty for a picture of the whole. */
export function photoPlace(
  sheet: Sheet,
  { place, spot }: Pick<EntryOf<'photo'>['body'], 'place' | 'spot'>,
): string {
  const at = place === undefined ? undefined : locate(sheet, place);
  if (at) return `${at.board.name}, ${placeName(at)}`;
  return sheet.boards.find((board) => board.id === spot?.board)?.name ?? '';
}

const suspectRow = ({ fault, part, p }: Suspect) => ({ name: fault.name, part: part.name, p });

/** `Service data DF-7, revision B, page 12`. */
export function sourceWords(sheet: Sheet, page?: string): string {
  const { document, revision } = sheet.source;
  return [document, revision && `revision ${revision}`, page && `page ${page}`]
    .filter(Boolean)
    .join(', ');
}

/** The placement line: `Red on CN2 pin 1, black on CN2 pin 2`, `At CN4 pin 1`, `Nothing to touch`. */
export function placementWords(
  sheet: Sheet,
  point: { readonly red?: string | undefined; readonly black?: string | undefined },
): string {
  const name = (ref: string) => {
    const place = locate(sheet, ref);
    return place ? placeName(place) : ref;
  };
  if (point.red === undefined) return 'Nothing to touch';
  if (point.black === undefined) return `At ${name(point.red)}`;
  return `Red on ${name(point.red)}, black on ${name(point.black)}`;
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
  const standingWords =
    standing.kind === 'void'
      ? `Void: ${standing.because}`
      : standing.kind === 'counts'
        ? undefined
        : standing.kind === 'withdrawn'
          ? 'Withdrawn'
          : 'Repeated later';
  if (taken.kind === 'answer') {
    return {
      ...common,
      where: taken.test.asks,
      function: taken.test.how,
      value: taken.answer,
      uncertainty: '',
      limit: Object.entries(taken.test.answers)
        .filter(([, outcome]) => outcome === 'ok')
        .map(([answer]) => answer)
        .join(' or '),
      verdict:
        standingWords ??
        [
          taken.outcome === 'ok' ? 'Good' : `Out: ${outcomeWords(taken.outcome)}`,
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
        : taken.reading.kind === 'overload'
          ? 'OL'
          : formatQuantity(judgement.corrected ?? taken.reading.value, unit),
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
  const seconds = Math.round(samples.at(-1)!.t - samples[0]!.t);
  const show = (value: number) => formatQuantity(value, unit, 3);
  return `${samples.length} figures in ${seconds} s, ${show(Math.min(...all))} to ${show(Math.max(...all))}`;
}

/** `overruled, taken as good: nuisance dirt on the pin`; undefined where nobody overruled. */
export function overruledWords({ overruled }: Taken): string | undefined {
  return overruled && `overruled, taken as ${overruled.as}: ${overruled.reason}`;
}

export const CONTACT_WORDS: Readonly<Record<ContactProof | 'unspecified', string>> = {
  unspecified: 'proven',
  'leads-touched': 'leads touched together, the meter answered',
  'scraped-to-metal': 'scraped to bare metal',
  'second-point': 'same at a second point',
  'known-source': 'proven on a known source',
};

/** Verdict with the remarks that a reader of the report must know. */
function fullVerdict(taken: TakenReading | TakenSeries): string {
  const { judgement, agreeing } = taken;
  const remarks = [
    verdictWords(judgement),
    judgement.signFlagged && 'sign reversed',
    judgement.assumed && 'house tolerance',
    judgement.contactOwed && 'contact not proven',
    taken.kind === 'reading' && taken.contact && `contact: ${CONTACT_WORDS[taken.contact]}`,
    agreeing > 0 && judgement.verdict !== 'in' && `read ${agreeing + 1} times`,
    overruledWords(taken),
  ];
  return remarks.filter(Boolean).join('; ');
}

function groupRow(
  sheet: Sheet,
  taken: Taken,
  { test, rule, judgement, entry }: TakenGroup,
): ReportRow {
  return {
    entry,
    at: taken.at,
    title: test.title,
    where: ruleTitle(rule),
    state: stateName(stateOf(sheet, test)),
    function: 'taken together',
    value: judgement.sentence ?? '',
    uncertainty: '',
    limit: '',
    verdict: verdictWords(judgement),
    mark: judgement.verdict,
    outcome: judgement.outcome,
    source: [sheet.source.document, test.page && `p. ${test.page}`].filter(Boolean).join(', '),
  };
}

function deadRecord(sheet: Sheet, log: readonly FoldedEntry[]): Report['dead'] {
  return log.flatMap((entry) => {
    if (entry.withdrawnBy !== undefined) return [];
    const text = deadWords(sheet, entry);
    return text === undefined ? [] : [{ at: entry.at, text }];
  });
}

function deadWords(sheet: Sheet, entry: FoldedEntry): string | undefined {
  switch (entry.kind) {
    case 'energised': {
      const { second } = entry.body;
      return `Live work begun, precautions read${second ? `; in reach: ${second}` : ''}`;
    }
    case 'licence':
      return entry.body.held
        ? `Licences held${entry.body.who ? ` by ${entry.body.who}` : ''}`
        : 'Licence not held by anybody here';
    case 'purged':
      return 'Purged after its attempts';
    case 'safed':
      return safeWords(sheet, entry.body);
    case 'volts-seen':
      return voltsSeenWords(sheet, entry.body);
    default:
      return undefined;
  }
}

/** One step of proving it dead, with its figure, its function and its limit. */
export function safeWords(sheet: Sheet, body: EntryOf<'safed'>['body']): string {
  const { step, reading, function: fn, source, live } = body;
  const figure = !reading
    ? 'no figure'
    : reading.kind === 'overload'
      ? 'OL'
      : formatQuantity(reading.value, 'V');
  const dial = fn ? ` on ${METER_FUNCTIONS[fn].words}` : '';
  const by = live ? ', off the connected meter' : '';
  switch (step) {
    case 'isolated':
      return 'Supply isolated and locked off';
    case 'meter':
      return `Meter held to ${source ? sourceName(source) : 'a source'}${dial}: ${figure}${by}`;
    case 'pair': {
      const pair = body.pair === undefined ? undefined : findPair(sheet, body.pair);
      const limit = pair ? ` (dead below ${formatQuantity(pair.deadBelow, 'V')})` : '';
      return `${pair?.name ?? body.pair ?? 'Pair'}${dial}: ${figure}${limit}${by}`;
    }
    case 'bus':
      return `Bus measured: ${figure} (before pairs were proven: no proof)`;
    case 'meter-proved':
    case 'meter-reproved':
      return 'Meter said to be proven, without its figure: no proof';
    default:
      step satisfies never;
      return '';
  }
}

export function voltsSeenWords(sheet: Sheet, body: EntryOf<'volts-seen'>['body']): string {
  const back = comesBack(sheet, body);
  return back ? `No longer dead: ${lostWords(back)}` : 'Volts seen on the connected meter';
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

function notProvenLines(assessment: Assessment, state: JobState): string[] {
  const lines = assessment.notProven.map(notProvenWords);
  if (assessment.surprise) {
    const { from } = assessment.surprise.item;
    const what =
      from.kind === 'code'
        ? `code ${from.code}`
        : from.kind === 'group'
          ? from.group.test.title
          : from.kind === 'store'
            ? from.store.pair.name
            : from.taken.test.title;
    lines.unshift(`One reading quarrels with all the others and was not repeated: ${what}.`);
  }
  if (assessment.unexplained) lines.unshift('This sheet does not explain what was found.');
  const proof = proofOf(state);
  if (state.decision && !proof)
    lines.push('The repair itself: nothing was fitted or proven on this visit.');
  if (proof && !proof.proven) {
    const owed = [...proof.owed, ...proof.bad].map(takenName);
    lines.push(
      owed.length > 0
        ? `The repair itself; still bad or not measured again: ${[...new Set(owed)].join('; ')}.`
        : 'The repair itself: nothing that was bad was measured again.',
    );
  }
  return lines;
}

const takenName = (taken: Taken): string =>
  taken.kind !== 'answer' && taken.test.points.length > 1
    ? `${taken.test.title}, ${taken.point.id}`
    : taken.test.title;

function repairLines(sheet: Sheet, state: JobState): string[] {
  const proof = proofOf(state);
  return [
    ...state.fitted.map(
      ({ body }) => `Fitted: ${sheet.parts.find(({ id }) => id === body.part)?.name ?? body.part}.`,
    ),
    ...(proof?.good ?? []).map((taken) => `Measured again and good: ${takenName(taken)}.`),
    ...(proof?.proven ? ['Everything that was bad before is good now.'] : []),
  ];
}

/** A test left out whole is one line; single points of it are named. */
function skippedLines(sheet: Sheet, state: JobState): Report['skipped'] {
  return testsOf(sheet).flatMap((test) => {
    const skipped = observablesOf(test, sheet).filter((each) => state.skipped.has(each.id));
    const reasons = new Set(skipped.map((each) => state.skipped.get(each.id)!));
    if (skipped.length === observablesOf(test, sheet).length && reasons.size === 1)
      return [{ title: test.title, reason: [...reasons][0]! }];
    return skipped.map((each) => ({
      title: `${test.title}, ${each.point}`,
      reason: state.skipped.get(each.id)!,
    }));
  });
}

function decisionLines(
  sheet: Sheet,
  body: NonNullable<JobState['decision']>['body'],
): NonNullable<Report['decision']> {
  const part = sheet.parts.find((each) => each.id === body.part);
  return {
    text: part && body.action === 'replace' ? `Replace: ${part.name}` : ENDING_WORDS[body.action],
    number: part?.number ?? '',
    probability: body.probability,
    reason: body.reason,
    followsEvidence: body.action === 'replace' && body.part === body.leading,
    before: part?.before ?? [],
  };
}

/** The ends of a visit that name no part. */
export const ENDING_WORDS: Readonly<Record<DecisionAction, string>> = {
  replace: 'Replace',
  'hand-over': 'Stop here and hand over',
  'cannot-make-safe': 'Cannot be made safe here: left closed and marked',
  'stop-and-call': 'Stopped, and somebody else called',
};
