/** A part in the hand against what the sheet asks of it: what it must have, what it should have. */
import type { Part, PartMatch } from '../../sheet/schema';

export interface Plates {
  /** Number printed on the new part. */
  readonly number: string;
  readonly values: Readonly<Record<string, string>>;
  readonly old?: Readonly<Record<string, string>>;
}

export interface MatchLine {
  readonly field: string;
  /** A miss forbids it; else it is a remark. */
  readonly hard: boolean;
  /** Undefined where it was not read, or cannot be read as what is asked. */
  readonly fits: boolean | undefined;
  /** `at least 600 V`, `as on the old one, 3 mΩ`. */
  readonly wanted: string;
  readonly has: string;
  readonly why?: string;
}

export interface Match {
  readonly verdict: 'original' | 'fits' | 'unknown' | 'forbidden';
  readonly lines: readonly MatchLine[];
}

/** Whether a sheet holds a part against anything. */
export const asksMatch = ({ must, should }: Pick<Part, 'must' | 'should'>): boolean =>
  (must?.length ?? 0) + (should?.length ?? 0) > 0;

/** The maker's own, by its number or that of the part that took its place, needs no holding against. */
export function matchOf(part: Part | undefined, plates: Plates): Match {
  const own = [part?.number, part?.supersededBy].some(
    (number) => number !== undefined && plain(number) === plain(plates.number),
  );
  if (own) return { verdict: 'original', lines: [] };
  const lines = [
    ...(part?.must ?? []).map((each) => lineOf(each, true, plates)),
    ...(part?.should ?? []).map((each) => lineOf(each, false, plates)),
  ];
  const hard = lines.filter((line) => line.hard);
  return {
    verdict: hard.some(({ fits }) => fits === false)
      ? 'forbidden'
      : hard.some(({ fits }) => fits === undefined)
        ? 'unknown'
        : 'fits',
    lines,
  };
}

/** What is asked of neither figure nor word is asked to be as on the old one. */
export const asOnOld = ({ equals, atLeast, atMost }: PartMatch): boolean =>
  equals === undefined && atLeast === undefined && atMost === undefined;

function lineOf(rule: PartMatch, hard: boolean, { values, old }: Plates): MatchLine {
  const has = (values[rule.field] ?? '').trim();
  const before = (old?.[rule.field] ?? '').trim();
  return {
    field: rule.field,
    hard,
    wanted: wantedWords(rule, before),
    has,
    fits: fitsRule(rule, has, before),
    ...(rule.why !== undefined && { why: rule.why }),
  };
}

export function wantedWords(rule: PartMatch, old = ''): string {
  const unit = rule.unit ? ` ${rule.unit}` : '';
  if (asOnOld(rule)) return old ? `as on the old one, ${old}` : 'as on the old one';
  if (typeof rule.equals === 'boolean') return rule.equals ? 'yes' : 'no';
  if (rule.equals !== undefined) return `${rule.equals}${unit}`;
  return [
    rule.atLeast !== undefined && `at least ${rule.atLeast}${unit}`,
    rule.atMost !== undefined && `at most ${rule.atMost}${unit}`,
  ]
    .filter(Boolean)
    .join(', ');
}

function fitsRule(rule: PartMatch, has: string, old: string): boolean | undefined {
  if (has === '') return undefined;
  if (asOnOld(rule)) return old === '' ? undefined : sameWords(has, old);
  const { equals, atLeast, atMost, unit } = rule;
  if (typeof equals === 'boolean') {
    const said = /^(yes|y|true|1)$/i.test(has)
      ? true
      : /^(no|n|false|0)$/i.test(has)
        ? false
        : undefined;
    return said === undefined ? undefined : said === equals;
  }
  if (typeof equals === 'string') return sameWords(has, equals);
  const figure = figureIn(has, unit);
  if (figure === undefined) return undefined;
  return (
    (equals === undefined || figure === equals) &&
    (atLeast === undefined || figure >= atLeast) &&
    (atMost === undefined || figure <= atMost)
  );
}

const plain = (text: string): string =>
  text
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[‐-―−]/g, '-')
    .replace(/\s+/g, '')
    .trim();

/** `2.x` stands for any 2. */
function sameWords(has: string, wanted: string): boolean {
  const [a, b] = [plain(has), plain(wanted)];
  return b.endsWith('.x') ? a === b.slice(0, -2) || a.startsWith(b.slice(0, -1)) : a === b;
}

/** @returns undefined where it is no figure, or one in another unit. */
function figureIn(text: string, unit = ''): number | undefined {
  const found = /^([+-]?\d+(?:[.,]\d+)?)(.*)$/.exec(plain(text));
  const [, figure, said = ''] = found ?? [];
  if (figure === undefined || (said !== '' && said !== plain(unit))) return undefined;
  return Number(figure.replace(',', '.'));
}
