/**
 * What a warranty bears of a repair. Days are compared as days of the calendar where the machine stands, so
 * that one that ended yesterday has ended, whatever the clock of a server says.
 */

export interface WarrantyTerms {
  /** `YYYY-MM-DD`, the last day it holds; null where nobody noted it. */
  readonly until: string | null;
  readonly installedOn: string | null;
  /** What it bears; parts alone where nobody said. */
  readonly covers: 'parts' | 'parts-labour' | null;
  /** Whether the unit was registered with its maker; null where nobody asked. */
  readonly registered: boolean | null;
}

export interface Coverage {
  /** Share of a part's price that is borne. */
  readonly parts: 0 | 1;
  /** Share of the work that is borne. */
  readonly labour: 0 | 1;
  readonly words: string;
}

interface PartWarranty {
  readonly partsMonths?: number;
  readonly labourMonths?: number;
  readonly until?: string;
}

/**
 * @param today - `YYYY-MM-DD`, where the machine stands.
 * @param part - What the maker gives on the part itself, from the day the unit was installed.
 */
export function coverageOf(
  { until, installedOn, covers, registered }: WarrantyTerms,
  today: string,
  part: PartWarranty = {},
): Coverage {
  const holds = (last: string | undefined) => last !== undefined && today <= last;
  const own = {
    parts: monthsAfter(installedOn, part.partsMonths, part.until),
    labour: monthsAfter(installedOn, part.labourMonths, part.until),
  };
  const unit = holds(until ?? undefined);
  const parts = unit || holds(own.parts);
  const labour = (unit && covers === 'parts-labour') || holds(own.labour);
  const none = { parts: 0, labour: 0 } as const;
  if (!parts && !labour)
    return {
      ...none,
      words: until === null ? 'No warranty is noted.' : `The warranty ended on ${until}.`,
    };
  if (registered === false)
    return {
      ...none,
      words: 'The unit is not registered with its maker: no warranty until it is.',
    };
  const last = unit ? until : (own.parts ?? own.labour);
  return {
    parts: parts ? 1 : 0,
    labour: labour ? 1 : 0,
    words: `Under warranty until ${last}: ${parts && labour ? 'parts and work' : parts ? 'parts, not the work' : 'the work, not the part'}.`,
  };
}

/** The last day of so many months from a day, never beyond another; undefined without both. */
export function monthsAfter(
  from: string | null,
  months: number | undefined,
  never: string | undefined,
): string | undefined {
  if (months === undefined || from === null) return undefined;
  const [year = 0, month = 1, day = 1] = from.split('-').map(Number);
  const end = new Date(Date.UTC(year, month - 1 + months, 1));
  const lastDay = new Date(Date.UTC(end.getUTCFullYear(), end.getUTCMonth() + 1, 0)).getUTCDate();
  end.setUTCDate(Math.min(day, lastDay));
  const on = end.toISOString().slice(0, 10);
  return never !== undefined && never < on ? never : on;
}
