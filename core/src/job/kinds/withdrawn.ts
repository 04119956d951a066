import { refuse, type Refusal } from '../admission/refusal';
import { Note, strict, Uuid } from '../log/words';
import { defineKind } from './kind';

/** An earlier entry taken back; it stays visible, struck through. */
export const withdrawn = defineKind({
  kind: 'withdrawn',
  body: strict({ entry: Uuid, reason: Note }),
  group: 'course',
  undoes: true,
  isFact: true,
  looksAtEnd: true,
  whileSigned: true,
  withdraws: ({ body }) => body.entry,
  admit({ state, entry: { body }, canWithdraw }): Refusal | undefined {
    const target = state.log.find((each) => each.id === body.entry);
    if (!target || target.withdrawnBy !== undefined)
      return refuse('nothing-to-withdraw', 'There is nothing there to withdraw any more.');
    if (!canWithdraw(target))
      return refuse('nothing-to-withdraw', 'This entry cannot be withdrawn.');
    if (state.signed && target.kind !== state.signed.kind)
      return refuse('job-signed', 'This job is signed. Withdraw the signature first.');
    return target.kind === 'signed' && body.reason.trim() === ''
      ? refuse('reason-owed', 'A signature is withdrawn with a reason: it stands in the roll.')
      : undefined;
  },
  apply() {
    // What it takes back is marked when the log is folded.
  },
  words: ({ reason }) => (reason === '' ? 'Withdrew an entry' : `Withdrew an entry: ${reason}`),
});
