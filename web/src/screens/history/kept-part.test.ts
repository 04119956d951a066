/** A copy that is longer than one entry holds. */
import { LONGEST_HISTORY, MOST_HISTORY_ROWS, type HistoryRow } from '@jeitinho/core/job';
import { keptPart } from './kept-part';

const rowsOf = (count: number): HistoryRow[] =>
  Array.from({ length: count }, (_, i) => ({ line: count - i, shown: `E${i}` }));
const textOf = (count: number, line: string) =>
  Array.from({ length: count }, () => line).join('\n');

test('what fits is kept as it is', () => {
  const rows = rowsOf(3);
  expect(keptPart('a\nb\nc', rows)).toEqual({ raw: 'a\nb\nc', rows });
});

test('of what is too long the newest is kept, with its own lines, numbered anew', () => {
  const count = 100_000;
  const { raw, rows } = keptPart(textOf(count, 'x'.repeat(20)), rowsOf(count));
  expect(rows).toHaveLength(MOST_HISTORY_ROWS);
  expect(raw.split('\n')).toHaveLength(MOST_HISTORY_ROWS);
  expect(rows.at(-1)).toEqual({ line: 1, shown: 'E99999' });
});

test('lines that are long themselves leave fewer of them', () => {
  const { raw, rows } = keptPart(textOf(3_000, 'x'.repeat(900)), rowsOf(3_000));
  expect(raw.length).toBeLessThanOrEqual(LONGEST_HISTORY);
  expect(rows.length).toBeGreaterThan(100);
  expect(keptPart('x'.repeat(300_000), rowsOf(1)).raw).toHaveLength(LONGEST_HISTORY);
});
