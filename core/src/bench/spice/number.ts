/**
 * Figures as netlists write them: `4.7k`, `10uF`, `1meg`, `1e-9`; and as they stand on parts, the
 * suffix in place of the point: `4k7`, `2R2`, `0u1`.
 */
const NUMBER = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(meg|mil|[tgkmunpf])?([a-zω%°]*)$/;
const MARKED = /^([+-]?\d+)(meg|[tgkmunpfr])(\d+)(ohms?|[fhvaω]?)$/;
const SUFFIX: Readonly<Record<string, number>> = {
  t: 1e12,
  g: 1e9,
  meg: 1e6,
  k: 1e3,
  r: 1,
  mil: 25.4e-6,
  m: 1e-3,
  u: 1e-6,
  n: 1e-9,
  p: 1e-12,
  f: 1e-15,
};

/** What may stand behind a figure. Any other letters are a slip of the pen: `6Cm` is not six seconds. */
const UNITS = new Set([
  ...['', 'f', 'farad', 'farads', 'h', 'henry', 'henries', 'henrys', 'v', 'volt', 'volts'],
  ...['a', 'amp', 'amps', 'ampere', 'amperes', 'ohm', 'ohms', 'r', 'ω', 'hz', 's', 'sec', 'secs'],
  ...['second', 'seconds', 'w', 'watt', 'watts', 'deg', 'degc', '°', '°c', '%'],
]);

/**
 * @param text - One figure; a unit after the suffix says nothing, as in SPICE.
 * @returns undefined where it is no finite figure.
 */
export function spiceNumber(text: string): number | undefined {
  const plain = text.trim().toLowerCase().replace(/[µμ]/, 'u').replace('Ω', 'ω');
  const found = NUMBER.exec(plain);
  if (found) {
    if (!UNITS.has(found[3] ?? '')) return undefined;
    return finite(Number(found[1]) * (SUFFIX[found[2] ?? ''] ?? 1));
  }
  const marked = MARKED.exec(plain);
  if (!marked) return undefined;
  return finite(Number(`${marked[1]}.${marked[3]}`) * (SUFFIX[marked[2] ?? ''] ?? 1));
}

const finite = (value: number) => (Number.isFinite(value) ? value : undefined);

/** A figure that reads back as the same number. */
export const writeNumber = (value: number): string => String(value);
