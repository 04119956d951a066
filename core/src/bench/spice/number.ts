/** Figures as netlists write them: `4.7k`, `10uF`, `1meg`, `1e-9`. */
const NUMBER = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(meg|mil|[tgkmunpf])?([a-zµω%°]*)$/i;
const SUFFIX: Readonly<Record<string, number>> = {
  t: 1e12,
  g: 1e9,
  meg: 1e6,
  k: 1e3,
  mil: 25.4e-6,
  m: 1e-3,
  u: 1e-6,
  n: 1e-9,
  p: 1e-12,
  f: 1e-15,
};

/**
 * @param text - One figure; letters after the suffix (`F`, `ohm`) are ignored, as SPICE does.
 * @returns undefined where it is no finite figure.
 */
export function spiceNumber(text: string): number | undefined {
  const found = NUMBER.exec(text.trim().replace(/^([^a-z]*)[µμ]/i, '$1u'));
  if (!found) return undefined;
  const value = Number(found[1]) * (SUFFIX[found[2]?.toLowerCase() ?? ''] ?? 1);
  return Number.isFinite(value) ? value : undefined;
}

/** A figure that reads back as the same number. */
export const writeNumber = (value: number): string => String(value);
