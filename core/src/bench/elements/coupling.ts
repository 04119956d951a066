/** Two coils on one core. It has no nodes and no stamp of its own: the coils stamp what they share. */
import { writeNumber as figure } from '../spice/number';
import type { Words } from '../spice/words';

export interface Coupling {
  readonly kind: 'coupling';
  readonly name: string;
  readonly coils: readonly [string, string];
  readonly k: number;
}

export const COUPLING_LETTER = 'k';

export function readCoupling(name: string, words: Words): Coupling {
  const coils = [words.element(), words.element()] as const;
  const k = words.figure('its coupling');
  if (k === 0 || !(Math.abs(k) <= 1))
    words.fail(
      `a coupling lies above 0 and up to 1, or below 0 for a coil wound the other way; this is ${k}`,
    );
  return { kind: 'coupling', name, coils, k };
}

export const couplingText = (
  { coils, k }: Coupling,
  name: string,
  of: (name: string) => string,
): string => `${name} ${coils.map(of).join(' ')} ${figure(k)}`;
