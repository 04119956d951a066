/**
 * What a store's first figure after isolation lets a sheet find out: `bus@fast`, it lost its charge at
 * once, or never had one. Only where a fault says that it shows it.
 */
import type { Observable } from './observable';
import type { ProvePair, Sheet } from './schema';

/** What a pair is called in the log and by the sheet. */
export const pairId = ({ id, from, to, function: fn }: ProvePair): string =>
  id ?? `${from}${fn === 'V=' ? '=' : '~'}${to}`;

/** Far below its forecast. */
export const FAST = 'fast';
export const fastId = (pair: string): string => `${pair}@${FAST}`;

export function storeObservables({
  safety,
  faults,
}: Pick<Sheet, 'safety' | 'faults'>): Observable[] {
  return (safety.prove ?? [])
    .filter((pair) => pair.function === 'V=')
    .map((pair) => fastId(pairId(pair)))
    .filter((id) => faults.some(({ shows }) => Object.hasOwn(shows, id)))
    .map((id) => ({ id, test: id, outcomes: ['ok', FAST] }));
}
