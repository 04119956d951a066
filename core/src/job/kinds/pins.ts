import { Type } from '@sinclair/typebox';
import { movedProblem, movedWords } from '../../sheet/moved-pins';
import { findConnector } from '../../sheet/places';
import { refuse } from '../admission/refusal';
import { Place, strict } from '../log/words';
import { defineKind } from './kind';

/** Where the pins of a connector stand on this machine, where that is not as the sheet says. */
export const pins = defineKind({
  kind: 'pins',
  body: strict({
    connector: Place,
    /** The sheet's pin to the machine's. Empty: as the sheet says. */
    at: Type.Record(
      Type.String({ pattern: '^[0-9]{1,3}$' }),
      Type.Integer({ minimum: 1, maximum: 200 }),
      { maxProperties: 200 },
    ),
  }),
  group: 'notes',
  reshapes: true,
  admit({ sheet, entry: { body } }) {
    const connector = findConnector(sheet, body.connector);
    if (!connector)
      return refuse('unknown-place', `The sheet has no connector “${body.connector}”.`);
    const problem = movedProblem(connector, body.at);
    return problem === undefined ? undefined : refuse('pins-at-odds', problem);
  },
  apply() {
    // The sheet has them where they were found before anything is folded.
  },
  words: ({ connector, at }) => movedWords(connector, at),
  place: () => ({ stage: 'measure' }),
});
