import { admitStep } from '../proving/admit-step';
import { applyStep, seeWithdrawnPair } from '../proving/apply-step';
import { safeStepSchema, safeWords } from '../proving/safe-step';
import { defineKind } from './kind';

/** A step of proving the machine dead: isolated, the meter on a known source, a pair measured. */
export const safed = defineKind({
  kind: 'safed',
  body: safeStepSchema,
  group: 'safety',
  startsClock: true,
  admit: ({ sheet, state, entry, blind }) => (blind ? undefined : admitStep(sheet, state, entry)),
  apply: applyStep,
  applyWithdrawn: seeWithdrawnPair,
  words: safeWords,
  record: safeWords,
  place: () => ({ stage: 'safe' }),
});
