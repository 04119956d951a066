/** The steps that prove a sheet's machine dead, with figures as a meter would show them. */
import { nextSafe, sourcesFor, supplyVolts, type NextSafe } from '@jeitinho/core';
import { foldJob, type BodyOf, type JobState, type StoredEntry } from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';

export interface ProvingStep {
  readonly kind: 'safed' | 'access';
  readonly body: BodyOf<'safed'> | BodyOf<'access'>;
  /** Minutes to wait before it, at least. */
  readonly wait: number;
}

/** What a store still holds, and what an isolated leg picks up, volts. */
export interface ProvenFigures {
  readonly store: number;
  readonly leg?: number;
}

/**
 * The next step towards DEAD, each in turn: covers that are in the way, the meter on a source, a pair.
 * @returns undefined once it is proven.
 * @throws {Error} for a sheet that cannot prove its machine dead.
 */
export function nextProvingStep(
  sheet: Sheet,
  state: JobState,
  { store, leg = 0.3 }: ProvenFigures,
  now: number,
): ProvingStep | undefined {
  const next = nextSafe(sheet, state.energy);
  switch (next.kind) {
    case 'done':
      return undefined;
    case 'sheet':
      throw new Error(next.message);
    case 'isolate':
      return { kind: 'safed', body: { step: 'isolated' }, wait: 1 };
    case 'meter':
      // The wait runs before the meter is proven, or its proof would grow old over it.
      return { kind: 'safed', body: meterOn(sheet, next), wait: waitLeft(sheet, state, next, now) };
    case 'wait':
    case 'pair': {
      const { pair } = next;
      const covered = pair.access.find((id) => !state.access.has(id));
      if (covered !== undefined) return { kind: 'access', body: { access: covered }, wait: 1 };
      const value = pair.function === 'V=' ? store : leg;
      const body: BodyOf<'safed'> = {
        step: 'pair',
        pair: pair.id,
        function: pair.function,
        reading: { kind: 'value', value },
        typed: String(value),
      };
      return { kind: 'safed', body, wait: 0.5 };
    }
  }
}

/**
 * All steps that prove a machine dead, each with its time.
 * @param start - milliseconds since 1970 at which it begins
 */
export function provingSteps(
  sheet: Sheet,
  figures: ProvenFigures,
  start: number,
): (ProvingStep & { readonly at: number })[] {
  const steps: (ProvingStep & { readonly at: number })[] = [];
  const log: StoredEntry[] = [];
  for (let at = start; ;) {
    const step = nextProvingStep(sheet, foldJob(sheet, log), figures, at);
    if (!step) return steps;
    at += step.wait * 60_000;
    steps.push({ ...step, at });
    const seq = steps.length;
    log.push({
      ...step,
      id: String(seq),
      seq,
      at: new Date(at).toISOString(),
      author: '',
    } as never);
  }
}

function meterOn(
  sheet: Sheet,
  { function: fn }: Extract<NextSafe, { kind: 'meter' }>,
): BodyOf<'safed'> {
  const kind = sourcesFor(sheet, fn)[0]!;
  const volts = kind === 'supply' ? Math.round(supplyVolts(sheet)[0]!) : 240;
  const shown = kind === 'battery' ? 9.1 : volts;
  return {
    step: 'meter',
    function: fn,
    source: kind === 'proving-unit' ? { kind, volts } : { kind },
    reading: { kind: 'value', value: shown },
    typed: String(shown),
  };
}

/** Minutes until the pairs of this function have waited, where their meter is proven first. */
function waitLeft(
  sheet: Sheet,
  { energy }: JobState,
  { function: fn, again }: Extract<NextSafe, { kind: 'meter' }>,
  now: number,
): number {
  if (again) return 0.5;
  const ends = (sheet.safety.prove ?? [])
    .filter((pair) => pair.function === fn)
    .map((pair) => pair.waitMinutes ?? (fn === 'V=' ? sheet.safety.waitMinutes : 0));
  const from = energy.isolated?.time ?? now;
  return Math.max(0.5, (from - now) / 60_000 + Math.max(0, ...ends));
}
