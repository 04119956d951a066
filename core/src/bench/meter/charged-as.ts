/** A circuit as it is left behind: its capacitors charged as another state of the machine charged them. */
import type { Circuit } from '../circuit';
import { Capacitor } from '../elements/capacitor';
import type { Rest } from '../solve/foresight';
import type { Stored } from '../solve/stored';
import { quieted } from '../solve/quieted';
import { rhythmOf } from '../solve/rhythm';
import { steadyState } from '../solve/steady';
import { System } from '../solve/system';
import { AIR } from './shown';

export const chargedAs = (circuit: Circuit, before: Circuit, air = AIR, at = 0): Circuit =>
  withCharges(circuit, chargesOf(before, { air, at }));

/** @param charges - Volts by capacitor; one that is not among them keeps its own. */
export const withCharges = (circuit: Circuit, charges: Stored): Circuit => ({
  ...circuit,
  elements: circuit.elements.map((element) =>
    element.kind === 'capacitor'
      ? { ...element, initial: charges.get(element.name) ?? element.initial ?? 0 }
      : element,
  ),
});

/**
 * Volts on every capacitor once it has settled; at a crest, where a rectifier has filled them, if
 * something swings.
 * @param near - What a circuit like it holds at rest.
 */
export function chargesOf(
  drawn: Circuit,
  { air = AIR, at = 0, near }: { air?: number; at?: number; near?: Rest | undefined } = {},
): Stored {
  const circuit = quieted(drawn, []);
  const { rest } = steadyState(circuit, [], { air, at, near });
  if (rest) return rest.stored;
  const system = new System(circuit, { air });
  system.operatingPoint(at + (rhythmOf(circuit)?.crest ?? 0));
  return voltsIn(circuit, system);
}

/** Volts on every capacitor as the system stands. */
export const voltsIn = ({ elements }: Circuit, system: System): Stored =>
  new Map(
    elements.flatMap((element) =>
      element.kind === 'capacitor' && system.device(element.name) instanceof Capacitor
        ? [
            [
              element.name,
              system.voltsAt(element.nodes[0]) - system.voltsAt(element.nodes[1]),
            ] as const,
          ]
        : [],
    ),
  );
