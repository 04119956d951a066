/** One check of a sheet: reports all it finds. */
import type { Sheet } from '../sheet/schema';
import type { SheetProblem } from '../validation/problem';

export type SheetCheck = (sheet: Sheet) => SheetProblem[];
