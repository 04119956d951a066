import { refuse } from '../admission/refusal';
import { strict, Uuid } from '../log/words';
import { defineKind } from './kind';

/** A clock answered after its end, or stopped before it. */
export const clockStopped = defineKind({
  kind: 'clock-stopped',
  body: strict({ clock: Uuid }),
  group: 'safety',
  admit: ({ state, entry: { body } }) =>
    state.clocks.some((clock) => clock.entry === body.clock)
      ? undefined
      : refuse('no-such-clock', 'That clock does not run any more.'),
  apply(draft, { body }) {
    draft.clocks = draft.clocks.filter((clock) => clock.entry !== body.clock);
  },
  words: () => 'Clock answered',
});
