import { Type } from '@sinclair/typebox';
import { durationWords } from '../../units/duration';
import { strict } from '../log/words';
import { namedClock } from '../state/waiting';
import { defineKind } from './kind';

/** A clock started: it ends so many seconds after the entry. */
export const clock = defineKind({
  kind: 'clock',
  body: strict({
    name: Type.String({ minLength: 1, maxLength: 80 }),
    seconds: Type.Number({ exclusiveMinimum: 0, maximum: 604_800 }),
    /** What to do while it runs. */
    meanwhile: Type.String({ maxLength: 400 }),
  }),
  group: 'safety',
  startsClock: true,
  apply(draft, entry) {
    draft.clocks.push(namedClock(entry));
  },
  words: ({ name, seconds }) => `Clock: ${name}, ${durationWords(seconds)}`,
});
