/** What hangs on a variant of the machine is taken once it is known which one it is. */
import { variantOwed } from '../../sheet/variant-owed';
import type { Sheet, Test, TestPoint } from '../../sheet/schema';
import { refuse, type Refusal } from './refusal';

export function variantRefusal(sheet: Sheet, test: Test, point?: TestPoint): Refusal | undefined {
  const owed = variantOwed(sheet, test, point);
  return owed && refuse('variant-owed', `First: ${owed.asks} What is expected here hangs on it.`);
}
