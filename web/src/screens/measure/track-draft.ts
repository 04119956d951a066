/** A series being recorded, kept on the device at every figure so that a reload or a crash loses none. */
import type { Sample, Series } from '@jeitinho/core/judge';

export interface TrackDraft {
  /** Milliseconds since the epoch of the first figure or mark. */
  readonly startedAt: number;
  readonly samples: readonly Sample[];
  readonly eventAt?: number;
}

const EMPTY: TrackDraft = { startedAt: 0, samples: [] };

export const trackText = (draft: TrackDraft): string => JSON.stringify(draft);

/** Whatever stands in the store: anything that is no draft counts as none. */
export function parseTrack(text: string): TrackDraft {
  try {
    const value = JSON.parse(text || 'null') as Partial<TrackDraft> | null;
    const sound = value && typeof value.startedAt === 'number' && Array.isArray(value.samples);
    return sound ? (value as TrackDraft) : EMPTY;
  } catch {
    return EMPTY;
  }
}

/** As it is judged and kept: the event counted from the first figure. */
export const seriesOf = ({ startedAt, samples, eventAt }: TrackDraft): Series => ({
  samples,
  ...(eventAt !== undefined && { event: Math.max(0, (eventAt - startedAt) / 1000) }),
});
