/**
 * Whether a board is worth soldering at all: its fault is found, alone, and cheap to mend. A fault beside it
 * that nothing here mends means stop.
 */
import type { Suspect } from '../diagnose/suspects';
import type { Repair, Sheet } from '../sheet/schema';

/** From here on a fault is found. */
const FOUND = 0.7;
/** From here on another one is not out of the way. */
const BESIDE = 0.15;
/** Of the price of a new board, what mending may cost. */
const CHEAP = 0.5;

export interface TriageLine {
  readonly asks: 'found' | 'alone' | 'cheap';
  readonly good: boolean;
  readonly words: string;
}

export interface Triage {
  /** `stop` where another fault of the same part is left that no repair mends. */
  readonly verdict: 'worth-it' | 'doubtful' | 'stop';
  readonly lines: readonly TriageLine[];
}

export interface TriagePrices {
  /** Of the whole part, new and fitted; undefined where nobody knows. */
  readonly whole: number | undefined;
  /** Money per hour. */
  readonly rate: number;
}

/** @returns undefined for a repair of nothing on a part: a joint, a setting. */
export function triageOf(
  sheet: Sheet,
  repair: Repair,
  suspects: readonly Pick<Suspect, 'fault' | 'now'>[],
  { whole, rate }: TriagePrices,
): Triage | undefined {
  const mends = new Set(repair.fixes);
  const part = sheet.faults.find(({ id, part: on }) => mends.has(id) && on !== undefined)?.part;
  if (part === undefined || (repair.what !== undefined && repair.what !== 'repaired'))
    return undefined;
  const found = suspects.filter(({ fault }) => mends.has(fault.id));
  const p = Math.max(0, ...found.map(({ now }) => now));
  const beside = suspects.filter(
    ({ fault, now }) => fault.part === part && !mends.has(fault.id) && now >= BESIDE,
  );
  const mended = new Set(
    (sheet.repairs ?? [])
      .filter(({ what }) => what === undefined || what === 'repaired')
      .flatMap(({ fixes }) => fixes),
  );
  const hopeless = beside.filter(({ fault }) => !mended.has(fault.id));
  const cost = repair.price + (repair.minutes / 60) * rate;
  const lines: TriageLine[] = [
    {
      asks: 'found',
      good: p >= FOUND,
      words:
        p >= FOUND
          ? 'The fault is found.'
          : `The fault is not found yet: ${Math.round(p * 100)} %. Measure on before an iron is hot.`,
    },
    {
      asks: 'alone',
      good: beside.length === 0,
      words:
        beside.length === 0
          ? 'Nothing else on this part is suspected.'
          : `Beside it: ${beside.map(({ fault }) => fault.name).join(', ')}${hopeless.length > 0 ? ', and no repair mends that' : ''}.`,
    },
    ...(whole === undefined
      ? []
      : [
          {
            asks: 'cheap' as const,
            good: cost <= whole * CHEAP,
            words:
              cost <= whole * CHEAP
                ? `Cheap: ${Math.round((cost / Math.max(1, whole)) * 100)} % of a new one.`
                : `Not cheap: ${Math.round((cost / Math.max(1, whole)) * 100)} % of a new one.`,
          },
        ]),
  ];
  return {
    lines,
    verdict:
      hopeless.length > 0 ? 'stop' : lines.every(({ good }) => good) ? 'worth-it' : 'doubtful',
  };
}
