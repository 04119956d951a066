/** The one bus of a sheet from before `safety.prove`, as the pair it is. */
import type { ProvePair, Sheet } from '../sheet/schema';

/** Id of the DC pair that an older sheet's bus is lifted to. */
export const BUS = 'bus';

export function listedPairs({ safety }: Sheet): readonly ProvePair[] {
  if (safety.prove && safety.prove.length > 0) return safety.prove;
  if (!safety.bus) return [];
  const { red, black, below, page } = safety.bus;
  return [
    {
      id: BUS,
      name: 'Bus',
      from: red,
      to: black,
      function: 'V=',
      deadBelow: below,
      ...(page !== undefined && { page }),
    },
  ];
}
