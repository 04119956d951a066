import { Type } from '@sinclair/typebox';
import { notDeadWords } from '../../conditions/next-safe';
import { findPart } from '../../sheet/lookup';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, strict } from '../log/words';
import { defineKind } from './kind';

/** A part put in; the machine is whole again, or so it is hoped. */
export const fitted = defineKind({
  kind: 'fitted',
  body: strict({ part: Id, note: Type.String({ maxLength: 400 }) }),
  group: 'findings',
  /** Parts are changed on a machine that is proven dead. */
  admit({ sheet, state, entry: { body }, blind }): Refusal | undefined {
    if (!findPart(sheet, body.part))
      return refuse('unknown-part', `This job’s sheet has no part “${body.part}”.`);
    return state.energy.kind === 'dead' || blind
      ? undefined
      : refuse(
          'dead-not-proven',
          `A part is fitted on a machine that is proven dead. ${notDeadWords(sheet, state.energy)}`,
        );
  },
  apply(draft, entry) {
    draft.fitted.push(entry);
  },
  words: ({ part }, sheet) => `Fitted: ${findPart(sheet, part)?.name ?? part}`,
  place: () => ({ stage: 'decide' }),
});
