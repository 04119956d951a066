import type { Sheet } from '@jeitinho/core/sheet';
import { demoSheet } from '../../../../test/demo-sheet';
import { sectionOf } from './sections';
import { suggestionsOf } from './suggestions';
import { historyAfter } from './use-sheet-draft';

const start = { past: [], present: { title: 'a', id: 'x' } as Sheet, future: [] };
const type = (history: Parameters<typeof historyAfter>[0], value: string, at: number) =>
  historyAfter(history, { kind: 'change', path: ['title'], value, at });

test('typing in one place is one step back, a pause or another place begins a new one', () => {
  let history = type(start, 'ab', 1000);
  history = type(history, 'abc', 1200);
  expect(history.past).toHaveLength(1);
  history = type(history, 'abcd', 5000);
  history = historyAfter(history, { kind: 'change', path: ['id'], value: 'y', at: 5100 });
  expect(history.past).toHaveLength(3);
  const titles: string[] = [];
  for (let i = 0; i < 4; i += 1) {
    history = historyAfter(history, { kind: 'undo' });
    titles.push(history.present.title);
  }
  expect(titles).toEqual(['abcd', 'abc', 'a', 'a']);
  expect(historyAfter(history, { kind: 'redo' }).present.title).toBe('abc');
});

test('a change after going back drops what was ahead; a pasted sheet can be taken back', () => {
  let history = type(start, 'b', 0);
  history = historyAfter(history, { kind: 'undo' });
  history = type(history, 'c', 9000);
  expect(historyAfter(history, { kind: 'redo' })).toBe(history);
  const pasted = historyAfter(history, { kind: 'replace', sheet: { title: 'z' } as Sheet });
  expect(historyAfter(pasted, { kind: 'undo' }).present.title).toBe('c');
});

test('a problem’s path names its section', () => {
  expect([sectionOf('/tests/3/expect'), sectionOf('/title'), sectionOf('/boards/0')]).toEqual([
    'tests',
    'equipment',
    'boards',
  ]);
});

test('fields suggest what the sheet has', () => {
  const sheet = demoSheet();
  expect(suggestionsOf(sheet, 'red')).toEqual(expect.arrayContaining(['inv.P', 'main.CN7.1']));
  expect(suggestionsOf(sheet, 'shows')).toContain('windings@UV');
  for (const name of ['part', 'state', 'access', 'suspects'])
    expect(suggestionsOf(sheet, name).length).toBeGreaterThan(0);
  expect(suggestionsOf(sheet, 'title')).toEqual([]);
});
