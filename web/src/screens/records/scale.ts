/** The scale of a picture: linear, or by decades where figures lie that far apart. */

export interface Scale {
  readonly low: number;
  readonly high: number;
  readonly log: boolean;
  /** From 0 at the bottom to 1 at the top. */
  readonly at: (value: number) => number;
}

/** Figures further apart than so many times are drawn by decades. */
const FAR_APART = 30;

/** @param figures - All that must be seen; none, and the scale is from 0 to 1. */
export function scaleOf(figures: readonly number[]): Scale {
  if (figures.length === 0) return linear(0, 1);
  const [least, most] = [Math.min(...figures), Math.max(...figures)];
  if (least > 0 && most / least > FAR_APART) {
    const [low, high] = [Math.log10(least) - 0.15, Math.log10(most) + 0.15];
    const at = (value: number) =>
      Math.min(1, Math.max(0, (Math.log10(Math.max(value, least / 2)) - low) / (high - low)));
    return { low: 10 ** low, high: 10 ** high, log: true, at };
  }
  const room = (most - least || Math.abs(most) || 1) * 0.15;
  return linear(least >= 0 && least - room < 0 ? 0 : least - room, most + room);
}

const linear = (low: number, high: number): Scale => ({
  ...{ low, high, log: false },
  at: (value) => (value - low) / (high - low),
});

/** Round figures within a linear scale, four or five of them. */
export function niceSteps({ low, high }: Scale): number[] {
  const rough = (high - low) / 4;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 2.5, 5, 10].map((each) => each * power).find((each) => each >= rough)!;
  const first = Math.ceil(low / step);
  return Array.from({ length: Math.floor(high / step) - first + 1 }, (_, i) =>
    Number(((first + i) * step).toPrecision(12)),
  );
}

/** Powers of ten within a scale by decades; its ends where there are less than two. */
export function decades({ low, high }: Scale): number[] {
  const first = Math.ceil(Math.log10(low));
  const whole = Array.from(
    { length: Math.max(0, Math.floor(Math.log10(high)) - first + 1) },
    (_, i) => 10 ** (first + i),
  );
  return whole.length > 1 ? whole : [low, high];
}
