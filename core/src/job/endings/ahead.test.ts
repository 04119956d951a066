/** What is to come after a visit, and what the customer said before the work. */
import type { logWriter } from '../../../test/small-sheet';
import { provenDead, smallSheet as sheet } from '../../../test/small-sheet';
import { buildReport } from '../../report/report';
import { assess } from '../../diagnose/assess';
import { refusalOf } from '../admission/refusal-of';
import { foldJob } from '../fold/fold';
import type { BodyOf, EntryKind } from '../kinds/index';
import { summarise } from '../trail/summary';
import { aheadOf } from './ahead';

type Log = ReturnType<typeof logWriter>;
const fold = (log: Log) => foldJob(sheet, log.entries);
const refused = <K extends EntryKind>(log: Log, kind: K, body: BodyOf<K>) =>
  refusalOf(sheet, fold(log), log.make(kind, body))?.code;
const handOver = {
  endings: [{ kind: 'hand-over', to: 'Rui', note: 'x' }],
  leading: null,
  probability: 0,
  reason: 'x',
} as const satisfies object;
const decide = (log: Log) => log.add('decided', { ...handOver, endings: [...handOver.endings] });

test('the earliest first, until it is done; also in a signed job', () => {
  const log = provenDead();
  decide(log);
  const left = { energy: 'dead' as const, note: '', open: [] };
  log.add('signed', { technician: 'Ana', customer: '', note: '', left });
  log.add('follow-up', { what: 'send-back', on: '2026-03-20', part: 'board', note: 'old one' });
  const first = log.add('follow-up', { what: 'visit', on: '2026-03-09', note: '' });
  expect(aheadOf(sheet, fold(log)).map(({ text, on }) => [text, on])).toEqual([
    ['Return visit', '2026-03-09'],
    ['Send back before: Control board, old one', '2026-03-20'],
  ]);
  expect(summarise(sheet, fold(log)).ahead?.[0]?.on).toBe('2026-03-09');
  log.add('followed-up', { entry: first.id, note: '' });
  expect(aheadOf(sheet, fold(log))).toHaveLength(1);
  expect(refused(log, 'followed-up', { entry: first.id, note: '' })).toBe('nothing-to-follow');
});

test('days that no calendar has, and “to do” without a word, are refused', () => {
  const log = provenDead();
  expect(refused(log, 'follow-up', { what: 'visit', on: '2026-02-30', note: '' })).toBe(
    'no-such-day',
  );
  expect(refused(log, 'follow-up', { what: 'other', on: '2026-03-01', note: ' ' })).toBe(
    'reason-owed',
  );
  expect(refused(log, 'follow-up', { what: 'parts', on: '2026-03-01', part: 'x', note: '' })).toBe(
    'unknown-part',
  );
});

test('somebody agrees to a decision and to no other; decided anew, it is said', () => {
  const log = provenDead();
  const decision = decide(log);
  const yes = {
    decision: decision.id,
    agreed: true,
    by: 'Íris',
    how: 'phone',
    amount: 410.5,
    currency: 'R$',
    note: '',
  } as const;
  expect(
    refused(log, 'accepted', { ...yes, decision: log.make('looked', { seen: true }).id }),
  ).toBe('decision-owed');
  log.add('accepted', yes);
  const report = () => buildReport(sheet, fold(log), assess(sheet, fold(log))).accepted;
  expect(report()).toMatchObject({ amount: 410.5, how: 'on the phone', current: true });
  decide(log);
  expect(report()).toMatchObject({ current: false });
});
