/** How long each stage of a visit took by the log's own clock, how much was written there, with how many presses. */
import { placeOfEntry } from '../job/kinds/said-of';
import type { JobState } from '../job/state/state';
import type { Sheet } from '../sheet/schema';

/** Nobody measures for so long without a word: it was lunch, or another day. Minutes. */
const AWAY = 30;

export interface StepTimes {
  /** By stage of the trail. */
  readonly minutes: Record<string, number>;
  readonly entries: Record<string, number>;
  /** Stages in which somebody counted; of machines that do not, and of earlier visits, none. */
  readonly presses: Record<string, number>;
}

/** Time and presses before an entry belong to the stage that it was made in; a clock that runs backwards takes none. */
export function stepTimes(sheet: Sheet, { log }: Pick<JobState, 'log'>): StepTimes {
  const minutes: Record<string, number> = {};
  const entries: Record<string, number> = {};
  const presses: Record<string, number> = {};
  log.forEach((entry, i) => {
    const stage = placeOfEntry(entry, sheet)?.stage;
    if (stage === undefined) return;
    entries[stage] = (entries[stage] ?? 0) + 1;
    if (entry.presses !== undefined) presses[stage] = (presses[stage] ?? 0) + entry.presses;
    const gap = (Date.parse(entry.at) - Date.parse(log[i - 1]?.at ?? entry.at)) / 60_000;
    if (gap > 0 && gap <= AWAY) minutes[stage] = (minutes[stage] ?? 0) + gap;
  });
  for (const stage of Object.keys(minutes)) minutes[stage] = Number(minutes[stage]!.toFixed(2));
  return { minutes, entries, presses };
}
