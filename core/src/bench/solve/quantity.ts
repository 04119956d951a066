/** What is looked at in a circuit, and how it is read off the present solution. */
import type { System } from './system';

/** Volts between two nodes, or amps through an element. */
export type Quantity =
  | { readonly kind: 'volts'; readonly plus: string; readonly minus: string }
  | { readonly kind: 'amps'; readonly element: string };

/** Reads a quantity off the present solution, whenever it is called. */
export function reader(system: System, quantity: Quantity): () => number {
  const { x, unknowns } = system;
  if (quantity.kind === 'volts') {
    const plus = unknowns.node(quantity.plus);
    const minus = unknowns.node(quantity.minus);
    return () => (x[plus] ?? 0) - (x[minus] ?? 0);
  }
  const device = system.device(quantity.element)!;
  return () => device.current(x);
}
