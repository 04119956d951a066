import { Type } from '@sinclair/typebox';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, strict } from '../log/words';
import { defineKind } from './kind';

/** A step of a procedure done, or a wire moved; or the tick taken away again. */
export const ticked = defineKind({
  kind: 'ticked',
  body: strict({
    procedure: Id,
    what: Type.Union([Type.Literal('step'), Type.Literal('wire')]),
    /** Place in the list, from 0. */
    at: Type.Integer({ minimum: 0, maximum: 999 }),
    off: Type.Optional(Type.Literal(true)),
  }),
  group: 'course',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    const procedure = sheet.procedures?.find(({ id }) => id === body.procedure);
    const list = body.what === 'step' ? procedure?.steps : procedure?.wireMap;
    return list?.[body.at]
      ? undefined
      : refuse('unknown-step', 'This job’s sheet has no such step.');
  },
  apply(draft, { id, body: { procedure, what, at, off } }) {
    const key = `${procedure} ${what} ${at}`;
    if (off) draft.ticks.delete(key);
    else draft.ticks.set(key, id);
  },
  words({ procedure, what, at, off }, sheet) {
    const of = sheet.procedures?.find(({ id }) => id === procedure);
    const wire = of?.wireMap?.[at];
    const said = what === 'wire' ? wireWords(wire) : (of?.steps[at]?.do ?? `step ${at + 1}`);
    return `${off ? 'Not done after all' : what === 'wire' ? 'Wire moved' : 'Step done'}: ${said}`;
  },
  place: ({ procedure }, sheet) => ({
    stage:
      sheet.procedures?.find(({ id }) => id === procedure)?.kind === 'prove' ? 'prove' : 'mend',
  }),
});

/** `old R to new 24V`; `old W2, insulated`; `new DF2, left empty`. */
const wireWords = ({ from, to }: { from?: string; to?: string } = {}): string =>
  from === undefined
    ? `${to}, left empty`
    : to === undefined
      ? `${from}, insulated`
      : `${from} to ${to}`;
