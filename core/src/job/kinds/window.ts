import { Type } from '@sinclair/typebox';
import { findState, stateName } from '../../sheet/lookup';
import { beginRefusal } from '../admission/energy';
import { enteringRefusal } from '../admission/entering';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Said, strict } from '../log/words';
import { begin, countAttempt } from '../state/waiting';
import { defineKind } from './kind';

/** A live state entered: a call, a test mode, an attempt. Where it ends by itself, its time runs from here. */
export const window = defineKind({
  kind: 'window',
  body: strict({ state: Id, despite: Type.Optional(Said) }),
  group: 'safety',
  startsClock: true,
  admit({ sheet, state: job, entry: { body } }): Refusal | undefined {
    const state = findState(sheet, body.state);
    if (!state) return refuse('unknown-state', `This job’s sheet has no state “${body.state}”.`);
    const refusal =
      beginRefusal(sheet, job, state) ??
      (job.rules === 1 ? undefined : enteringRefusal(sheet, job, state, body.despite));
    if (refusal) return refusal;
    const tried = job.attempts.get(state.id);
    if (!state.attempts || !tried || tried.count < state.attempts.most) return undefined;
    return refuse(
      'purge-owed',
      `${tried.count} attempts: no further one before the purge. ${state.attempts.say ?? ''}`.trim(),
    );
  },
  apply: begin,
  /** The gas of an attempt that was taken back may be in the chamber all the same. */
  applyWithdrawn: countAttempt,
  words({ state: id, despite }, sheet) {
    const state = findState(sheet, id);
    return `Entered: ${state ? stateName(state) : id}${despite ? `, all the same, because: ${despite}` : ''}`;
  },
});
