import { refuse, type Refusal } from '../admission/refusal';
import { Id, strict } from '../log/words';
import { defineKind } from './kind';

/** Something the machine does or does not do, by its name in the sheet. */
export const symptom = defineKind({
  kind: 'symptom',
  body: strict({ symptom: Id }),
  group: 'findings',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    return sheet.symptoms?.some(({ id }) => id === body.symptom)
      ? undefined
      : refuse('unknown-symptom', `This job’s sheet has no symptom “${body.symptom}”.`);
  },
  apply(draft, { id, body }) {
    // Said twice it is one observation.
    if (!draft.symptoms.has(body.symptom)) draft.symptoms.set(body.symptom, id);
  },
  words: ({ symptom: id }, sheet) => sheet.symptoms?.find((each) => each.id === id)?.text ?? id,
  place: () => ({ stage: 'read' }),
});
