import { unlessStanding } from '../admission/standing-finding';
import { Said, strict, Uuid } from '../log/words';
import { defineKind } from './kind';

/** A reading or answer declared void by the technician: neither pass nor fail. */
export const voided = defineKind({
  kind: 'voided',
  body: strict({ entry: Uuid, reason: Said }),
  group: 'findings',
  undoes: true,
  admit: ({ state, entry: { body } }) => unlessStanding(state, body.entry),
  apply(draft, { body }) {
    draft.voided.set(body.entry, body.reason);
  },
  words: ({ reason }) => `Void: ${reason}`,
});
