/**
 * Which links of a path may be broken, from what was read on it, and how a further reading would halve them.
 *
 * A figure between a place of the path and something beside it says of the way up to there: good, and all of
 * it is whole; nothing there, and the break lies before it. A figure between two places of the path says the
 * same of the stretch between them, where open is what a break shows. Each link is one place for a break.
 *
 * Worked example: six links, 24 V at the third place, none at the seventh: the break is one of four links,
 * and a reading at the fifth place halves them.
 */

/** A stretch of a path, from one stop to a later one. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  /** Whether both probes lie on the path. */
  readonly between: boolean;
}

interface Leads {
  readonly red?: string | undefined;
  readonly black?: string | undefined;
}

/** What is read against something beside the path tells of the way up to there only as volts. */
const VOLTS: ReadonlySet<string> = new Set(['V=', 'V~']);

/**
 * What a placement says something about; undefined where it touches the path nowhere, or at its start, and
 * for ohms to something beside it.
 * @param fn - The meter's function there.
 */
export function stretchOf(
  { red, black }: Leads,
  stops: readonly { readonly ref: string }[],
  fn: string,
): Stretch | undefined {
  const place = (ref: string | undefined) => stops.findIndex((stop) => stop.ref === ref);
  const [i, j] = [place(red), place(black)];
  if (i >= 0 && j >= 0)
    return i === j ? undefined : { from: Math.min(i, j), to: Math.max(i, j), between: true };
  const end = Math.max(i, j);
  return end <= 0 || !VOLTS.has(fn) ? undefined : { from: 0, to: end, between: false };
}

/** What a break shows: nothing arrives beyond it; across it the way is open, or the whole volts stand. */
const SHOWN_BEYOND: ReadonlySet<string> = new Set(['none', 'low']);
const SHOWN_ACROSS: ReadonlySet<string> = new Set(['open', 'high']);

export const showsBreak = ({ between }: Stretch, outcome: string): boolean =>
  (between ? SHOWN_ACROSS : SHOWN_BEYOND).has(outcome);

export interface FoundOnPath {
  readonly stretch: Stretch;
  /** Good there, or what a break shows; anything else says nothing of the links. */
  readonly says: 'whole' | 'broken';
}

export interface LinksLeft {
  readonly whole: ReadonlySet<number>;
  /** Where a break may be: every link not known to be whole, until one is known to be broken. */
  readonly left: ReadonlySet<number>;
  /** Whether one of those left is broken for sure. */
  readonly broken: boolean;
}

/** @param count - How many links the path has. */
export function linksLeft(count: number, found: readonly FoundOnPath[]): LinksLeft {
  const whole = new Set(
    found.flatMap(({ stretch, says }) => (says === 'whole' ? linksOf(stretch) : [])),
  );
  const open = Array.from({ length: count }, (_, link) => link).filter((link) => !whole.has(link));
  const broken = found
    .filter(({ says }) => says === 'broken')
    .map(({ stretch }) => open.filter((link) => link >= stretch.from && link < stretch.to));
  if (broken.length === 0) return { whole, left: new Set(open), broken: false };
  const common = broken.reduce((a, b) => a.filter((link) => b.includes(link)));
  // Two breaks share no link: the shorter stretch is looked at first.
  const [shortest = []] = [...broken].sort((a, b) => a.length - b.length);
  const left = common.length > 0 ? common : shortest;
  return { whole, left: new Set(left), broken: left.length > 0 };
}

/** How many of the links left a reading would leave either way; undefined where it would tell nothing. */
export function halvesOf(
  stretch: Stretch,
  left: ReadonlySet<number>,
): readonly [number, number] | undefined {
  const inside = linksOf(stretch).filter((link) => left.has(link)).length;
  return inside === 0 || inside === left.size ? undefined : [inside, left.size - inside];
}

const linksOf = ({ from, to }: Stretch): number[] =>
  Array.from({ length: to - from }, (_, i) => from + i);
