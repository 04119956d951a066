/** How a visit may end; a decision names one or several. Each asks only what it needs. */
import { findPart } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import type { RepairKind } from '../../sheet/schema';
import { WORK_WORDS } from '../work/work';

export const ENDINGS = [
  'replace',
  'repair',
  'sound',
  'release',
  'come-back',
  'hand-over',
  'cannot-make-safe',
  'stop-and-call',
] as const;
export type EndingKind = (typeof ENDINGS)[number];

export interface Ending {
  readonly kind: EndingKind;
  /** Replaced, or come back with. */
  readonly part?: string;
  /** A repair or a try of the sheet. */
  readonly repair?: string;
  /** What is done, where it is no named repair. */
  readonly what?: RepairKind;
  /** To whom it goes, or what it is released for. */
  readonly to?: string;
  readonly note?: string;
}

/** What an ending asks before it can stand. */
export interface EndingAsks {
  readonly words: string;
  readonly part?: 'needed' | 'may';
  readonly repair?: true;
  /** The question that its `to` answers. */
  readonly to?: string;
  /** The question that its `note` answers. */
  readonly note?: string;
  /** Mended on this visit: Mend and Prove follow. */
  readonly mends?: true;
}

export const ENDING_ASKS: Readonly<Record<EndingKind, EndingAsks>> = {
  replace: { words: 'Replace', part: 'needed', mends: true },
  repair: { words: 'Repair without a part', repair: true, mends: true },
  sound: { words: 'Sound: nothing found bad' },
  release: { words: 'Released for the next stage', to: 'For what is it released?' },
  'come-back': {
    words: 'Come back with a part',
    part: 'may',
    note: 'What is brought, and when?',
  },
  'hand-over': {
    words: 'Stop here and hand over',
    to: 'To whom?',
    note: 'Why stop here?',
  },
  'cannot-make-safe': {
    words: 'Cannot be made safe here: left closed and marked',
    note: 'What could not be made safe?',
  },
  'stop-and-call': {
    words: 'Stopped, and somebody else called',
    to: 'Who was called?',
    note: 'Why?',
  },
};

export const ENDING_WORDS: Readonly<Record<EndingKind, string>> = Object.fromEntries(
  ENDINGS.map((kind) => [kind, ENDING_ASKS[kind].words]),
) as Record<EndingKind, string>;

const blank = (text: string | undefined): boolean => text === undefined || text.trim() === '';

/** The first question that an ending leaves open; undefined where it says all. */
export function endingOwes(sheet: Sheet, ending: Ending): string | undefined {
  const { kind, part, repair, what, to, note } = ending;
  const asks = ENDING_ASKS[kind];
  if (part !== undefined && !findPart(sheet, part)) return 'Choose a part of this sheet.';
  if (asks.part === 'needed' && part === undefined) return 'Choose a part of this sheet.';
  if (asks.repair && repair !== undefined && !namedRepair(sheet, repair))
    return 'Choose a repair of this sheet.';
  if (asks.repair && repair === undefined && (what === undefined || blank(note)))
    return 'What is done? Say it in your own words.';
  if (asks.to !== undefined && blank(to)) return asks.to;
  if (asks.note !== undefined && blank(note)) return asks.note;
  return undefined;
}

const namedRepair = (sheet: Sheet, id: string) =>
  sheet.repairs?.find((each) => each.id === id) ?? sheet.tries?.find((each) => each.id === id);

/** `Replace: inverter board`; `Reseated: plug CN5`. */
export function endingWords(sheet: Sheet, { kind, part, repair, what, to, note }: Ending): string {
  const partName = part === undefined ? undefined : (findPart(sheet, part)?.name ?? part);
  switch (kind) {
    case 'replace':
      return `Replace: ${partName}`;
    case 'repair': {
      const named = repair === undefined ? undefined : namedRepair(sheet, repair);
      return `${WORK_WORDS[named?.what ?? what ?? 'repaired']}: ${named?.name ?? repair ?? note}`;
    }
    default:
      return [
        ENDING_WORDS[kind] + (partName ? `: ${partName}` : ''),
        to && (kind === 'release' ? `for ${to}` : kind === 'stop-and-call' ? to : `to ${to}`),
      ]
        .filter(Boolean)
        .join(', ');
  }
}
