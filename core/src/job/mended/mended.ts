/**
 * Whether a repair is proven: what was bad is read again, the sheet's own proof is carried out and watched,
 * and what comes and goes is looked for often enough. Until then the job is not yet proven, and says what is owed.
 */
import type { Procedure, Sheet } from '../../sheet/schema';
import { proofOf, type Proof } from '../findings/proof';
import type { JobState, Watched } from '../state/state';
import { fittedIn } from '../work/work';
import { looksOf, type Looks } from './looks';

export interface ProvingStep {
  readonly procedure: Procedure;
  readonly at: number;
  /** `unfinished`: watched, and not for long enough. */
  readonly is: 'owed' | 'unfinished' | 'done' | 'bad';
  /** Of a watched one, what was watched last. */
  readonly watched?: Watched;
}

export interface Mended {
  /** What was read again. */
  readonly proof: Proof;
  readonly steps: readonly ProvingStep[];
  /** Absent where nothing comes and goes. */
  readonly looks?: Looks;
  /** In words; empty where it is proven, or seen bad. */
  readonly owed: readonly string[];
  /** Read, watched or seen since: it is not mended. */
  readonly bad: boolean;
  readonly proven: boolean;
}

/** @returns undefined while nothing was done. */
export function mendedOf(sheet: Sheet, state: JobState): Mended | undefined {
  const proof = proofOf(state);
  if (!proof) return undefined;
  const steps = provingSteps(sheet, state);
  const looks = looksOf(sheet, state);
  const bad = proof.bad.length > 0 || proof.seen === true || steps.some(({ is }) => is === 'bad');
  const stepsOwed = steps.filter(({ is }) => is === 'owed' || is === 'unfinished');
  const looksOwed = looks && looks.had < looks.wanted ? looks.wanted - looks.had : 0;
  const read = [...new Set([...proof.owed, ...proof.bad].map(({ test }) => test.title))];
  return {
    proof,
    steps,
    ...(looks && { looks }),
    bad,
    owed: [
      ...read.map((title) => `to read again: ${title}`),
      ...stepsOwed.map(({ procedure, at, is }) => {
        const step = procedure.steps[at];
        const what = step?.watch ? `watch ${step.watch.what ?? 'it'}` : (step?.do ?? '');
        return `${procedure.title ?? procedure.id}: ${what}${is === 'unfinished' ? ', not long enough so far' : ''}`;
      }),
      ...(looksOwed > 0
        ? [
            `it comes and goes: look ${looksOwed} more ${looksOwed === 1 ? 'time' : 'times'}, ten minutes apart`,
          ]
        : []),
    ],
    proven: proof.proven && !bad && stepsOwed.length === 0 && looksOwed === 0,
  };
}

/** Steps of the sheet's proofs for what was fitted or mended, and of those for any work, since the last of it. */
export function provingSteps(sheet: Sheet, state: JobState): ProvingStep[] {
  const done = new Set([
    ...fittedIn(state.works),
    ...state.works.flatMap(({ body }) => body.repair ?? []),
  ]);
  const placeOf = (entry: string | undefined) => state.log.findIndex(({ id }) => id === entry);
  const worked = placeOf(state.works.at(-1)?.id);
  return (sheet.procedures ?? [])
    .filter(({ kind, for: of }) => kind === 'prove' && (of === undefined || done.has(of)))
    .flatMap((procedure) =>
      procedure.steps.map(({ watch }, at): ProvingStep => {
        if (!watch) {
          const done = placeOf(state.ticks.get(`${procedure.id} step ${at}`)) > worked;
          return { procedure, at, is: done ? 'done' : 'owed' };
        }
        const watched = state.watched.findLast(
          ({ id, body }) =>
            body.procedure === procedure.id && body.step === at && placeOf(id) > worked,
        );
        return { procedure, at, is: stands(watched), ...(watched && { watched }) };
      }),
    );
}

function stands(watched: Watched | undefined): ProvingStep['is'] {
  if (!watched) return 'owed';
  const { verdict } = watched.judged;
  if (verdict === 'out') return 'bad';
  return verdict === 'in' || verdict === 'watch' ? 'done' : 'unfinished';
}
