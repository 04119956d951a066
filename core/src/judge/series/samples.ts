/** A series of readings of one point, with the moment of each, and what can be asked of any series. */

export interface Sample {
  /** Seconds from the start of the series, not falling. */
  readonly t: number;
  /** SI base unit of the function; for a light, 1 is on and 0 is off. */
  readonly value: number;
  /** What drives it, where something does: burner rate, command, flow. */
  readonly driver?: number;
}

/** How many figures one series may hold. */
export const MOST_SAMPLES = 5000;

export interface Series {
  readonly samples: readonly Sample[];
  /** Seconds at which the event happened (flame, lock, flexing begun), where the rule has one. */
  readonly event?: number;
}

/** What stands for OL on ohms in a series, which holds figures only: the end of a meter's last range, Ω. */
export const OVER_OHMS = 60e6;

export const durationOf = (samples: readonly Sample[]): number =>
  samples.length === 0 ? 0 : samples.at(-1)!.t - samples[0]!.t;

export const values = (samples: readonly Sample[]): number[] => samples.map((each) => each.value);

export const range = (samples: readonly Sample[]) => ({
  min: Math.min(...values(samples)),
  max: Math.max(...values(samples)),
});

/** Least squares slope, per second; 0 for fewer than two moments. */
export function slopeOf(samples: readonly Sample[]): number {
  const n = samples.length;
  const mt = samples.reduce((sum, each) => sum + each.t, 0) / n;
  const mv = samples.reduce((sum, each) => sum + each.value, 0) / n;
  let tt = 0;
  let tv = 0;
  for (const { t, value } of samples) {
    tt += (t - mt) ** 2;
    tv += (t - mt) * (value - mv);
  }
  return tt > 0 ? tv / tt : 0;
}

/** Share of the steps between neighbours that go the given way, by size: 1 is wholly monotone. */
export function monotoneShare(samples: readonly Sample[], direction: 1 | -1): number {
  let along = 0;
  let all = 0;
  for (let i = 1; i < samples.length; i += 1) {
    const step = samples[i]!.value - samples[i - 1]!.value;
    all += Math.abs(step);
    if (step * direction > 0) along += Math.abs(step);
  }
  return all > 0 ? along / all : 0;
}

/** Moment at which the series first satisfies `reached`, between samples along the straight line. */
export function crossing(
  samples: readonly Sample[],
  level: number,
  direction: 1 | -1,
): number | undefined {
  const past = (value: number) => (value - level) * direction >= 0;
  const i = samples.findIndex(({ value }) => past(value));
  if (i < 0) return undefined;
  if (i === 0) return samples[0]!.t;
  const [a, b] = [samples[i - 1]!, samples[i]!];
  return a.t + ((b.t - a.t) * (level - a.value)) / (b.value - a.value);
}
