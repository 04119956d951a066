import { words } from '../../schema-words';
import { unlessStanding } from '../admission/standing-finding';
import { Said, strict, Uuid } from '../log/words';
import { defineKind } from './kind';

/** A reading judged otherwise than its limits do: accepted though out, or condemned though in. */
export const overruled = defineKind({
  kind: 'overruled',
  body: strict({ entry: Uuid, as: words(['good', 'bad']), reason: Said }),
  group: 'findings',
  admit: ({ state, entry: { body } }) => unlessStanding(state, body.entry),
  apply(draft, { id, body: { entry, as, reason } }) {
    draft.overruled.set(entry, { entry: id, as, reason });
  },
  words: ({ as, reason }) => `Overruled, taken as ${as}: ${reason}`,
});
