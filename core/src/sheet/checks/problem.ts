/** A problem or a warning of a sheet, with its place and how to mend it. */
import type { Sheet } from '../schema';

export interface SheetProblem {
  /** JSON path, such as `/tests/3/expect`. */
  readonly path: string;
  /** What is wrong there and how to mend it. */
  readonly message: string;
  /** Stable name of the check. */
  readonly code: string;
  /** A warning does not keep the sheet from being used. */
  readonly severity: 'problem' | 'warning';
}

/** One check: reports all it finds. */
export type SheetCheck = (sheet: Sheet) => SheetProblem[];

export const problem = (code: string, path: string, message: string): SheetProblem => ({
  code,
  path,
  message,
  severity: 'problem',
});

export const warning = (code: string, path: string, message: string): SheetProblem => ({
  code,
  path,
  message,
  severity: 'warning',
});
