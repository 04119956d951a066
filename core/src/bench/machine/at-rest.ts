/**
 * What the healthy machine holds in a situation once it has settled. A broken one of the same names is
 * searched for from there: turns are saved, and the answer does not depend on what was solved before.
 */
import { CoreError } from '../../errors';
import type { BenchModel } from '../../sheet/schema';
import type { Circuit } from '../circuit';
import { AIR } from '../meter/shown';
import { recentOf } from '../recent';
import type { Stored } from '../solve/periodic';
import { quieted } from '../solve/quieted';
import { alternates } from '../solve/rhythm';
import { steadyState } from '../solve/steady';

/** Situations of one machine. */
const MOST = 200;
const known = recentOf<Stored | undefined>(MOST);

/**
 * @param situation - What was done to the machine, as a key.
 * @param healthy - The circuit then.
 * @returns undefined where nothing swings, or where it cannot be solved: every search begins afresh.
 */
export const storedAtRest = (
  bench: BenchModel,
  situation: string,
  healthy: () => Circuit,
): Stored | undefined => known(bench).of(situation, () => solved(healthy()));

function solved(drawn: Circuit): Stored | undefined {
  const circuit = quieted(drawn, []);
  if (!alternates(circuit)) return undefined;
  try {
    return steadyState(circuit, [], { air: AIR }).stored;
  } catch (error) {
    if (error instanceof CoreError) return undefined;
    throw error;
  }
}
