/** The reading being typed: its draft, what was understood, and keeping it. */
import { METER_FUNCTIONS, parseEntry, type MeterFunction, type TypedEntry } from '@jeitinho/core';
import type { Specimen } from '@jeitinho/core/job';
import { typedReading } from '@jeitinho/core/judge';
import {
  expectOf,
  findPoint,
  functionOf,
  observableId,
  type MeasureTest,
} from '@jeitinho/core/sheet';
import { useState } from 'react';
import { useDraft, useKeptDraft } from '../../data/draft';
import { useJob } from '../job/job-context';
import { useInsulation, type InsulationInHand } from './insulation-fields';

export interface ReadingEntry {
  readonly text: string;
  readonly setText: (text: string) => void;
  readonly parsed: TypedEntry;
  /** Why what is typed cannot be kept; undefined while it can, or nothing is typed. */
  readonly problem: string | undefined;
  readonly ready: boolean;
  /** With what an insulation figure is taken. */
  readonly insulation: InsulationInHand;
  /**
   * @param value - Kept instead of the typed one: the same figure with its prefix put right.
   * @returns whether it was kept; what is typed stays in the field otherwise.
   */
  readonly keep: (value?: number) => Promise<boolean>;
}

export function useReading(
  test: MeasureTest | undefined,
  point: string,
  specimen?: Specimen,
): ReadingEntry {
  const { job, record } = useJob();
  const key = `reading.${job.id}.${test?.id ?? ''}.${point}`;
  const place = test && findPoint(test, point);
  const insulation = useInsulation(job.id);
  const [end] = useDraft(`end.${job.id}.${place && test ? observableId(test, point) : ''}`);
  const { text: draft, setText, drop } = useKeptDraft(key);
  const [sent, setSent] = useState<{ key: string; text: string }>();
  // On its way into the store: the field is free again, the draft stays until it is kept.
  const text = sent?.key === key && sent.text === draft ? '' : draft;
  const parsed = parseEntry(text, place && test ? expectOf(test, place).unit : 'V');
  const fn = place && test ? functionOf(test, place) : undefined;
  const problem = problemOf(parsed, fn);
  const typed = typedReading(parsed);
  const ready =
    test !== undefined &&
    fn !== undefined &&
    problem === undefined &&
    (typed !== undefined || parsed.kind === 'not-taken');
  const keep = async (value?: number) => {
    if (!ready) return false;
    setSent({ key, text });
    const kept =
      typed === undefined
        ? await record('skipped', { test: test.id, point, reason: 'no figure taken' })
        : await record('reading', {
            test: test.id,
            point,
            function: fn,
            reading: value !== undefined && typed.kind === 'value' ? { ...typed, value } : typed,
            typed: text.trim().slice(0, 60),
            ...(specimen && { specimen }),
            ...(end === 'or' && place?.or !== undefined && { or: true as const }),
            ...(fn === 'insulation' && { insulation: { ...insulation.said } }),
          });
    if (kept) drop(text);
    setSent(undefined);
    return kept;
  };
  // `o` stands for OL already: its own letters, typed on, are the same.
  const type = (typed: string) => setText(/^ol+$/i.test(typed) ? 'OL' : typed);
  return { text, setText: type, parsed, problem, ready, insulation, keep };
}

/** Why what is typed cannot be a figure of this function. */
export function problemOf(parsed: TypedEntry, fn: MeterFunction | undefined): string | undefined {
  if (parsed.kind === 'error') return parsed.message;
  if (fn && parsed.kind === 'value' && parsed.value < 0 && !METER_FUNCTIONS[fn].signed)
    return `A meter on ${METER_FUNCTIONS[fn].words} shows nothing below zero. Check the figure.`;
  if (fn && fn !== 'continuity' && (parsed.kind === 'tone' || parsed.kind === 'silence'))
    return `Nothing sounds on ${METER_FUNCTIONS[fn].words}: a tone belongs to continuity.`;
  return undefined;
}
