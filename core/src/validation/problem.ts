/** A problem or a warning of a sheet, with its place and how to mend it. */

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

/** Names and texts of a foreign file may be of any length; what is said of them is not. */
const LONGEST_PATH = 300;
const LONGEST_MESSAGE = 600;

const cut = (text: string, most: number): string =>
  text.length <= most ? text : `${text.slice(0, most - 1).replace(/[\uD800-\uDBFF]$/, '')}…`;

const finding =
  (severity: SheetProblem['severity']) =>
  (code: string, path: string, message: string): SheetProblem => ({
    code,
    path: cut(path, LONGEST_PATH),
    message: cut(message, LONGEST_MESSAGE),
    severity,
  });

export const problem = finding('problem');
export const warning = finding('warning');
