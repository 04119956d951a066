import { Type } from '@sinclair/typebox';
import { durationWords } from '../../units/duration';
import { strict } from '../log/words';
import { setClock } from '../state/waiting';
import { defineKind } from './kind';

/** The device's own clock was set: later times are so much later than they would have been. */
export const clockSet = defineKind({
  kind: 'clock-set',
  body: strict({ seconds: Type.Number({ minimum: -1e9, maximum: 1e9 }) }),
  group: 'safety',
  isFact: true,
  apply(draft, { body }) {
    setClock(draft, body.seconds * 1000);
  },
  words: ({ seconds }) =>
    `This device’s clock was set by ${seconds < 0 ? '−' : '+'}${durationWords(Math.abs(seconds))}; waits were kept`,
});
