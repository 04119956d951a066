/** How a finding stands, in a word and a mark: what says nothing is not shown as good or bad. */
import { sentence } from '@jeitinho/core';
import { CONTACT_OWED, isSilent, type Taken } from '@jeitinho/core/job';
import { outcomeWords, verdictWords, type Verdict } from '@jeitinho/core/judge';

export interface Standing {
  readonly mark: Verdict | 'void';
  readonly words: string;
  /** Why it says nothing, as a sentence; absent where it speaks. */
  readonly why?: string;
}

const SILENT = { void: 'Void', waits: 'Waits', 'one-sided': 'Cannot tell' } as const;

const absenceWords = (outcome: string) =>
  outcome === 'open' ? 'Open, or no contact' : 'Nothing there, or no contact';

export function standingOf(taken: Taken): Standing {
  const { standing } = taken;
  if (!isSilent(standing)) return speaking(taken);
  if (standing.because === CONTACT_OWED)
    return {
      mark: 'void',
      words: taken.kind === 'answer' ? 'Waits' : absenceWords(taken.judgement.outcome),
      why: 'A probe on paint shows the same. It waits until contact is proven.',
    };
  return {
    mark: standing.kind === 'one-sided' ? 'cannot-tell' : 'void',
    words: SILENT[standing.kind],
    why: `${sentence(standing.because)}.`,
  };
}

function speaking(taken: Taken): Standing {
  if (taken.kind !== 'answer')
    return { mark: taken.judgement.verdict, words: verdictWords(taken.judgement) };
  return taken.outcome === 'ok'
    ? { mark: 'in', words: 'Good' }
    : { mark: 'out', words: `Out: ${outcomeWords(taken.outcome)}` };
}
