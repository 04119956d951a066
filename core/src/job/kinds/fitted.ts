import { Type } from '@sinclair/typebox';
import { Id, strict } from '../log/words';
import { doWork } from '../work/do-work';
import type { Work } from '../work/work';
import { defineKind } from './kind';
import { workRefusal, workWords } from './work';

const workOf = (body: { readonly part: string; readonly note: string }): Work => ({
  what: 'fitted',
  ...body,
});

/** A part put in, as it was written before other work could be. */
export const fitted = defineKind({
  kind: 'fitted',
  body: strict({ part: Id, note: Type.String({ maxLength: 400 }) }),
  group: 'findings',
  admit: (at) => workRefusal(at, workOf(at.entry.body)),
  apply: (draft, entry, sheet) => doWork(draft, { ...entry, body: workOf(entry.body) }, sheet),
  words: (body, sheet) => workWords(workOf(body), sheet),
  place: () => ({ stage: 'mend' }),
});
