/** Parts as they come: values within their tolerance, drawn with a seed. */
import type { Circuit, Element } from './circuit';

/** Share of the value either way, by kind of part. */
export const TOLERANCE = { resistor: 0.01, sensor: 0.005, capacitor: 0.1, supply: 0.01 } as const;
/** A junction's saturation current varies by a factor either way; its drop moves by about 8 mV. */
const JUNCTION_FACTOR = 1.2;

/**
 * @param own - Tolerance of single elements by name; 0 for exact.
 * @param roll - Shares below 1, one for each part drawn.
 */
export function asBuilt(
  circuit: Circuit,
  own: Readonly<Record<string, number>>,
  roll: () => number,
): Circuit {
  return { ...circuit, elements: circuit.elements.map((element) => drawn(element, own, roll)) };
}

function drawn(
  element: Element,
  own: Readonly<Record<string, number>>,
  roll: () => number,
): Element {
  const factor = (usual: number) => 1 + (own[element.name] ?? usual) * (2 * roll() - 1);
  switch (element.kind) {
    case 'resistor':
      return { ...element, ohms: element.ohms * factor(TOLERANCE.resistor) };
    case 'ntc':
      return { ...element, r25: element.r25 * factor(TOLERANCE.sensor) };
    case 'rtd':
      return { ...element, r0: element.r0 * factor(TOLERANCE.sensor / 5) };
    case 'capacitor':
      return { ...element, farads: element.farads * factor(TOLERANCE.capacitor) };
    case 'regulator':
      return { ...element, volts: element.volts * factor(TOLERANCE.supply) };
    case 'diode': {
      const is = element.model.is * JUNCTION_FACTOR ** (2 * roll() - 1);
      return { ...element, model: { ...element.model, is } };
    }
    default:
      return element;
  }
}
