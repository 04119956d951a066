/** Of which thing a figure is, where it is not this machine: such a figure is compared, and is no evidence. */
import { Type, type Static } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { Id, strict } from '../log/words';

export const SPECIMENS = ['new', 'old', 'twin', 'altered'] as const;

export const specimenSchema = strict({
  kind: words(SPECIMENS),
  /** Which part of it, in the box or in the hand. */
  part: Type.Optional(Id),
  /** Which of several of one kind, or what was altered. */
  name: Type.Optional(Type.String({ maxLength: 120 })),
});
export type Specimen = Static<typeof specimenSchema>;

export const SPECIMEN_WORDS: Readonly<Record<Specimen['kind'], string>> = {
  new: 'the new part, before fitting',
  old: 'the old part, in the hand',
  twin: 'a good twin',
  altered: 'an altered board',
};
