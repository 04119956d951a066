/** What a visit still owes, in words, for whoever takes it over: the machine first, then the work. */
import type { Sheet } from '../../sheet/schema';
import { leftOpen } from '../state/access';
import type { JobState } from '../state/state';
import { progressOf, type StageProgress } from './trail';

/** @returns Lines such as `the machine is live`, `Lid is open`, `Measure: 12 readings`. */
export function owedWords(sheet: Sheet, state: JobState): string[] {
  const machine = state.energy.kind === 'live' ? ['the machine is live'] : [];
  const open = leftOpen(sheet, state).map(({ name, id }) => `${name ?? id}: to be put back`);
  const stages = progressOf(sheet, state).filter(({ owed, wanted }) => wanted && owed > 0);
  return [...machine, ...open, ...stages.map(stageWords)];
}

/** Stages whose owing can be counted, and in what. */
const COUNTED: Partial<Record<StageProgress['stage'], readonly [one: string, many: string]>> = {
  safe: ['placement to prove', 'placements to prove'],
  measure: ['reading', 'readings'],
  mend: ['piece of work', 'pieces of work'],
};

function stageWords({ stage, name, owed }: StageProgress): string {
  const counted = COUNTED[stage];
  return counted ? `${name}: ${owed} ${counted[owed === 1 ? 0 : 1]}` : name;
}
