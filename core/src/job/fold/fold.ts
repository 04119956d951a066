/** From the log to the present state of the job. Pure: the same entries give the same state. */
import type { WrittenSheet } from '../../sheet/schema';
import type { LoggedEntry } from '../log/entry';
import { JobFold } from './job-fold';
import type { JobState } from '../state/state';

/**
 * Fold a log.
 * @param sheet - The revision that the job was opened with.
 * @param entries - In any order; entries of a kind that means nothing here are kept and ignored.
 */
export function foldJob(sheet: WrittenSheet, entries: readonly LoggedEntry[]): JobState {
  // A plain copy: what is reckoned when first asked for is reckoned now.
  return { ...new JobFold(sheet, entries).state() };
}
