import { meterProfileSchema } from '../../meter/profile';
import { strict } from '../log/words';
import { takeInHand } from '../state/meters';
import { defineKind } from './kind';

/** Another meter taken in hand. */
export const meter = defineKind({
  kind: 'meter',
  body: strict({ meter: meterProfileSchema }),
  group: 'safety',
  apply(draft, { body }) {
    takeInHand(draft, body.meter);
  },
  words: ({ meter: { name } }) => `Meter in hand: ${name}`,
});
