import { findState, stateName } from '../../sheet/lookup';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, strict } from '../log/words';
import { defineKind } from './kind';

/** The chamber purged after its attempts. */
export const purged = defineKind({
  kind: 'purged',
  body: strict({ state: Id }),
  group: 'safety',
  admit({ sheet, state: { attempts }, entry: { body, at } }): Refusal | undefined {
    const state = findState(sheet, body.state);
    if (!state?.attempts)
      return refuse('unknown-state', `This job’s sheet counts no attempts of “${body.state}”.`);
    const tried = attempts.get(state.id);
    const until = tried && tried.lastAt + state.attempts.purge * 1000;
    if (until === undefined || Date.parse(at) >= until) return undefined;
    return refuse(
      'purge-owed',
      `The purge takes ${state.attempts.purge} s from the latest attempt; it is not over yet.`,
    );
  },
  apply(draft, { body }) {
    draft.attempts.delete(body.state);
  },
  words({ state: id }, sheet) {
    const state = findState(sheet, id);
    return `Purged: ${state ? stateName(state) : id}`;
  },
  record: () => 'Purged after its attempts',
});
