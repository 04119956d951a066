import { Type } from '@sinclair/typebox';
import { comesBack, standsProven } from '../../conditions/come-back';
import { lostWords } from '../../conditions/next-safe';
import { words } from '../../schema-words';
import type { Sheet } from '../../sheet/schema';
import { refuse } from '../admission/refusal';
import { Place, figureSchema, strict } from '../log/words';
import { seeVolts } from '../proving/see-volts';
import { defineKind } from './kind';

const body = strict({
  function: words(['V~', 'V=']),
  reading: figureSchema,
  red: Type.Optional(Place),
  black: Type.Optional(Place),
});

/** A connected meter showed volts on a machine taken for dead. */
export const voltsSeen = defineKind({
  kind: 'volts-seen',
  body,
  group: 'safety',
  isFact: true,
  endangers: true,
  /** They are told as soon as they are seen, and only then. */
  admit: ({ sheet, state: { energy }, entry }) =>
    standsProven(energy) && comesBack(sheet, entry.body)
      ? undefined
      : refuse('nothing-lost', 'No proof of dead stands against that figure.'),
  apply(draft, entry, sheet) {
    seeVolts(draft, entry, sheet, entry.body);
  },
  words: wordsOf,
  record: wordsOf,
  place: () => ({ stage: 'safe' }),
});

function wordsOf(seen: typeof body.static, sheet: Sheet): string {
  const back = comesBack(sheet, seen);
  return back ? `No longer dead: ${lostWords(back)}` : 'Volts seen on the connected meter';
}
