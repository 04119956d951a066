/** What closed jobs say to whoever writes a sheet: tests that never told anything, limits that good machines fail. */
import type { Test } from '../sheet/schema';
import type { Lesson } from './lesson';

/** So often a test must have been taken before its silence says something. */
export const TAKEN_ENOUGH = 10;
/** Good machines that must have failed a limit. */
export const FAILED_ENOUGH = 2;

/** A lesson and the job that it is of. */
export type LessonOfJob = Pick<Lesson, 'moved' | 'failedGood'> & { readonly job: string };

export interface SilentTest {
  readonly test: string;
  readonly title: string;
  readonly taken: number;
  /** What it cost all in all, by the sheet's own minutes. */
  readonly minutes: number;
}

export interface FailedLimit {
  readonly test: string;
  readonly title: string;
  readonly observable: string;
  /** Readings behind it. */
  readonly readings: readonly (Lesson['failedGood'][number] & { readonly job: string })[];
}

export interface ToAuthor {
  readonly silent: readonly SilentTest[];
  readonly failed: readonly FailedLimit[];
}

/** Tests that are not on the sheet any more are nobody's concern. */
export function toAuthor(tests: readonly Test[], lessons: readonly LessonOfJob[]): ToAuthor {
  const silent = tests.flatMap(({ id, title, minutes = 0 }): SilentTest[] => {
    const said = lessons.flatMap(({ moved }) => moved[id] ?? []);
    if (said.length < TAKEN_ENOUGH || said.some(Boolean)) return [];
    return [{ test: id, title, taken: said.length, minutes: said.length * minutes }];
  });
  const failed = tests.flatMap(({ id, title }): FailedLimit[] => {
    const readings = lessons.flatMap(({ job, failedGood }) =>
      failedGood.flatMap((each) => (each.test === id ? [{ ...each, job }] : [])),
    );
    return [...new Set(readings.map(({ observable }) => observable))].flatMap((observable) => {
      const own = readings.filter((each) => each.observable === observable);
      if (new Set(own.map(({ job }) => job)).size < FAILED_ENOUGH) return [];
      return [{ test: id, title, observable, readings: own }];
    });
  });
  return { silent, failed };
}
