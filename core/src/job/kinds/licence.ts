import { Type } from '@sinclair/typebox';
import { strict } from '../log/words';
import type { Licence } from '../state/facts';
import { defineKind } from './kind';

/** Whether the people here hold the licences that the unit asks for. */
export const licence = defineKind({
  kind: 'licence',
  body: strict({ held: Type.Boolean(), who: Type.String({ maxLength: 120 }) }),
  group: 'safety',
  apply(draft, entry) {
    draft.licence = entry;
  },
  words: (body) => held(body) ?? 'Licence not held here',
  record: (body) => held(body) ?? 'Licence not held by anybody here',
  place: () => ({ stage: 'safe' }),
});

const held = (body: Licence): string | undefined =>
  body.held ? `Licences held${body.who ? ` by ${body.who}` : ''}` : undefined;
