/** Short forms for the inputs and outputs that many formulas share. */
import type { FormulaOutput, NumberInput, Quantity } from '../formula';

type Options = Partial<Omit<NumberInput, 'kind' | 'id' | 'label' | 'quantity' | 'start'>>;

export const number = (
  id: string,
  label: string,
  quantity: Quantity,
  start: number,
  options: Options = {},
): NumberInput => ({ kind: 'number', id, label, quantity, start, ...options });

export const output = (
  id: string,
  label: string,
  quantity: Quantity,
  value: number,
  main = false,
): FormulaOutput => ({ id, label, quantity, value, ...(main && { main }) });
