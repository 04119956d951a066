import { Type } from '@sinclair/typebox';
import { formatQuantity } from '../../units/format';
import { strict } from '../log/words';
import { defineKind } from './kind';

/** What the leads showed when shorted together. */
export const lead = defineKind({
  kind: 'lead',
  body: strict({
    value: Type.Number({ minimum: 0, maximum: 10 }),
    half: Type.Number({ minimum: 0, maximum: 1 }),
  }),
  group: 'safety',
  apply(draft, { body }) {
    draft.lead = body;
  },
  words: ({ value }) => `Leads zeroed at ${formatQuantity(value, 'ohm')}`,
});
