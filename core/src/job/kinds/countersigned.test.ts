/** A second signature: by somebody else, beside the signature that stands, once. */
import { randomUUID as uuid } from 'node:crypto';
import { smallSheet } from '../../../test/small-sheet';
import type { Sheet } from '../../sheet/schema';
import { foldJob } from '../fold/fold';
import { refusalOf } from '../admission/refusal-of';
import { summarise } from '../trail/summary';
import type { LogEntry, StoredEntry } from './index';

const sheet: Sheet = {
  ...smallSheet,
  safety: { ...smallSheet.safety, secondSignature: true },
};
let at = Date.parse('2026-11-28T08:00:00Z');

function entry(kind: string, body: object, author = 'Davi Moura'): StoredEntry {
  at += 1000;
  return { id: uuid(), kind, at: new Date(at).toISOString(), author, body } as StoredEntry;
}

function signedLog(): StoredEntry[] {
  return [
    entry('opened', { complaint: 'x', meter: null, rules: 2 }),
    entry('decided', {
      endings: [{ kind: 'hand-over', to: 'Somebody', note: '' }],
      leading: null,
      probability: 0,
      reason: 'x',
    }),
    entry('signed', {
      technician: 'Davi Moura',
      customer: '',
      note: '',
      left: { energy: 'not-proven', note: '', open: [] },
      owed: 'Another day',
    }),
  ];
}

const refusal = (log: readonly StoredEntry[], next: StoredEntry) =>
  refusalOf(sheet, foldJob(sheet, log), next as LogEntry)?.code;

test('the sheet asks for it: signed, the visit waits for somebody else', () => {
  const log = signedLog();
  expect(summarise(sheet, foldJob(sheet, log))).toMatchObject({
    status: 'signed',
    awaitsSecond: true,
  });
  const second = entry('countersigned', { signature: log[2]!.id, note: '' }, 'Rute Sabiá');
  expect(refusal(log, second)).toBeUndefined();
  const state = foldJob(sheet, [...log, second]);
  expect(state.countersigned?.author).toBe('Rute Sabiá');
  expect(summarise(sheet, state).awaitsSecond).toBeUndefined();
});

test('not by the one who signed, not twice, not before, not where no sheet asks', () => {
  const log = signedLog();
  const by = (author: string, signature = log[2]!.id) =>
    entry('countersigned', { signature, note: '' }, author);
  expect(refusal(log, by('Davi Moura'))).toBe('same-person');
  expect(refusal(log.slice(0, 2), by('Rute Sabiá'))).toBe('signature-gone');
  expect(refusal(log, by('Rute Sabiá', uuid()))).toBe('signature-gone');
  expect(refusal([...log, by('Rute Sabiá')], by('Otávio Lins'))).toBe('signed-twice');
  const free = { ...sheet, safety: { ...sheet.safety, secondSignature: false } };
  expect(refusalOf(free, foldJob(free, log), by('Rute Sabiá') as LogEntry)?.code).toBe(
    'no-second-signature',
  );
});

test('a signature that is withdrawn takes the second with it', () => {
  const log = signedLog();
  const second = entry('countersigned', { signature: log[2]!.id, note: '' }, 'Rute Sabiá');
  const withdrawn = entry('withdrawn', { entry: log[2]!.id, reason: 'A figure was wrong' });
  const again = entry('signed', log[2]!.body);
  const state = foldJob(sheet, [...log, second, withdrawn, again]);
  expect(state.signed?.id).toBe(again.id);
  expect(state.countersigned).toBeUndefined();
});
