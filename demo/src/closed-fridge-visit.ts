/** A finished visit to the café's fridge: code 31, a drifted cabinet sensor, replaced by decision. */
import type { BodyOf, EntryKind, LogEntry } from '@jeitinho/core';
import type { DemoJob } from './types';

const STARTED = Date.parse('2026-08-11T12:04:00.000Z');
const AUTHOR = 'Davi Moura';

export function closedFridgeVisit(id: (n: number) => string, unitId: string): DemoJob {
  let count = 0;
  const at = (minute: number) => new Date(STARTED + minute * 60_000).toISOString();
  const entry = <K extends EntryKind>(kind: K, minute: number, body: BodyOf<K>): LogEntry => {
    count += 1;
    return {
      id: id(400 + count),
      kind,
      at: at(minute),
      author: AUTHOR,
      body,
    } as unknown as LogEntry;
  };
  const value = (figure: number) => ({ kind: 'value' as const, value: figure });
  return {
    id: id(34),
    unitId,
    urgent: false,
    complaint: 'Freezes the milk on the top shelf, then shows 31.',
    openedAt: at(0),
    entries: [
      entry('arrived', 1, { plate: 'matches', note: '' }),
      entry('observed', 2, { text: 'Ice on the back wall. Door seal good.' }),
      entry('code', 3, { shown: '31' }),
      entry('safed', 4, { step: 'isolated' }),
      entry('safed', 5, { step: 'meter-proved' }),
      entry('access', 8, { access: 'rear-cover' }),
      entry('access', 9, { access: 'inv-cover' }),
      entry('safed', 10, { step: 'bus', reading: value(1.8), typed: '1.8' }),
      entry('safed', 11, { step: 'meter-reproved' }),
      entry('answer', 12, { test: 'board-looks', answer: 'clean' }),
      entry('access', 13, { access: 'cn7-off' }),
      entry('reading', 14, {
        test: 'cab-sensor',
        point: '12',
        function: 'ohm',
        reading: value(11_840),
        typed: '11.84k',
      }),
      entry('reading', 15, {
        test: 'cab-sensor',
        point: '12',
        function: 'ohm',
        reading: value(11_910),
        typed: '11.91k',
      }),
      entry('decision', 17, {
        action: 'replace',
        part: 'sensor',
        leading: 'sensor',
        probability: 0.9935,
        reason: '',
      }),
      entry('signed', 22, {
        technician: AUTHOR,
        customer: 'Íris Candeia',
        note: 'Sensor on the van, fitted at once.',
      }),
    ],
  };
}
