import { words } from '../../schema-words';
import { standingFinding } from '../admission/standing-finding';
import { refuse, type Refusal } from '../admission/refusal';
import { standBoth } from '../findings/keep-taken';
import { strict, Uuid } from '../log/words';
import { CONTRADICTIONS } from '../state/facts';
import { defineKind } from './kind';

/** Two figures of one place, moments apart, contradict each other: the first was a slip, or it comes and goes. */
export const contradiction = defineKind({
  kind: 'contradiction',
  body: strict({ entry: Uuid, as: words(CONTRADICTIONS) }),
  group: 'findings',
  admit({ state, entry: { body } }): Refusal | undefined {
    const target = standingFinding(state, body.entry);
    if ('code' in target) return target;
    return target.contradicts === undefined
      ? refuse('nothing-contradicts', 'That finding contradicts none before it.')
      : undefined;
  },
  apply(draft, { body }) {
    draft.contradictions.set(body.entry, body.as);
    if (body.as === 'comes-and-goes') standBoth(draft, body.entry);
  },
  words: ({ as }) =>
    as === 'slip' ? 'The earlier figure was a slip' : 'It comes and goes: both figures stand',
});
