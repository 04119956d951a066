import { findState, stateName } from '../../sheet/lookup';
import { stateRefusal } from '../admission/energy';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, strict } from '../log/words';
import { begin, countAttempt } from '../state/waiting';
import { defineKind } from './kind';

/** A test mode or an attempt begun: its time runs from here. */
export const window = defineKind({
  kind: 'window',
  body: strict({ state: Id }),
  group: 'safety',
  startsClock: true,
  admit({ sheet, state: { energy, attempts }, entry: { body } }): Refusal | undefined {
    const state = findState(sheet, body.state);
    if (!state) return refuse('unknown-state', `This job’s sheet has no state “${body.state}”.`);
    const refusal = stateRefusal(sheet, energy, state);
    if (refusal) return refusal;
    const tried = attempts.get(state.id);
    if (!state.attempts || !tried || tried.count < state.attempts.most) return undefined;
    return refuse(
      'purge-owed',
      `${tried.count} attempts: no further one before the purge. ${state.attempts.say ?? ''}`.trim(),
    );
  },
  apply: begin,
  /** The gas of an attempt that was taken back may be in the chamber all the same. */
  applyWithdrawn: countAttempt,
  words({ state: id }, sheet) {
    const state = findState(sheet, id);
    return `Begun: ${state ? stateName(state) : id}`;
  },
});
