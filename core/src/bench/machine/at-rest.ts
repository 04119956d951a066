/**
 * What a machine holds in a situation once it has settled, every part exactly as written: the healthy
 * one, and one for each way of a fault. A specimen built within its tolerances is searched for from
 * there: turns are saved, and the answer does not depend on what was solved before.
 */
import { CoreError } from '../../errors';
import type { BenchModel } from '../../sheet/schema';
import { changed } from '../changes';
import type { Circuit } from '../circuit';
import { AIR } from '../meter/shown';
import { recentOf } from '../recent';
import { withoutWays, type Rest } from '../solve/foresight';
import { quieted } from '../solve/quieted';
import { alternates } from '../solve/rhythm';
import { steadyState } from '../solve/steady';
import { circuitOfBench, type Specimen } from './machine';

/** Situations of one machine, whole and with every fault of its sheet. */
const MOST = 2000;
const known = recentOf<Rest | undefined>(MOST);

/**
 * @param situation - What was done to the machine, as a key.
 * @param healthy - The circuit then.
 * @returns undefined where nothing swings, or where it cannot be solved or does not come to rest: every
 *   search begins afresh.
 */
export const restOf = (
  bench: BenchModel,
  situation: string,
  healthy: () => Circuit,
): Rest | undefined => known(bench).of(situation, () => solved(healthy(), undefined));

/**
 * Where the search for a specimen's rest begins.
 * @param as - A circuit as it stands in the situation.
 */
export function nearFor(
  bench: BenchModel,
  situation: string,
  { changes, seed }: Specimen,
  as: (built: Circuit) => Circuit,
): Rest | undefined {
  const drawn = circuitOfBench(bench);
  const healthy = restOf(bench, situation, () => as(drawn));
  if (changes.length === 0) return healthy;
  const held = withoutWays(healthy);
  if (seed === 0) return held;
  // Worth a search of its own, for many are drawn within its tolerances.
  return known(bench).of(`${changes.join('\n')}\r${situation}`, () =>
    solved(as(changed(drawn, changes)), held),
  );
}

function solved(drawn: Circuit, near: Rest | undefined): Rest | undefined {
  const circuit = quieted(drawn, []);
  if (!alternates(circuit)) return undefined;
  try {
    const { settled, rest } = steadyState(circuit, [], { air: AIR, near });
    return settled ? rest : undefined;
  } catch (error) {
    if (error instanceof CoreError) return undefined;
    throw error;
  }
}
