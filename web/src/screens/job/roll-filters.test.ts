import type { logWriter } from '../../../../core/test/small-sheet';
import { measured, provenDead, smallSheet } from '../../../../core/test/small-sheet';
import { foldJob, placeOfEntry, type FoldedEntry } from '@jeitinho/core/job';
import { placePath } from './paths';
import { passes } from './roll-filters';

const folded = (log: ReturnType<typeof logWriter>) => foldJob(smallSheet, log.entries).log;

function sample(): readonly FoldedEntry[] {
  const log = provenDead();
  const { id } = log.add('reading', measured('diode', 'U', 0.45, 'diode'));
  log.add('answer', { test: 'looks', answer: 'clean' });
  log.add('voided', { entry: id, reason: 'slipped' });
  log.add('observed', { text: 'hums' });
  log.add('withdrawn', { entry: id, reason: '' });
  return folded(log);
}

test('an entry leads to the card where it was made', () => {
  const pathOf = (entry: FoldedEntry) => {
    const place = placeOfEntry(entry, smallSheet);
    return place && placePath('j', place);
  };
  const places = sample().map((entry) => [entry.kind, pathOf(entry)]);
  expect(places).toEqual([
    ['opened', undefined],
    ['safed', '/jobs/j/safe'],
    ['safed', '/jobs/j/safe'],
    ['safed', '/jobs/j/safe'],
    ['safed', '/jobs/j/safe'],
    ['reading', '/jobs/j/measure?at=diode%40U'],
    ['answer', '/jobs/j/measure?test=looks'],
    ['voided', undefined],
    ['observed', '/jobs/j/arrive'],
    ['withdrawn', undefined],
  ]);
});

test('each filter shows its own kind, and what was withdrawn shows with the withdrawn', () => {
  const kinds = (filter: Parameters<typeof passes>[1]) =>
    sample()
      .filter((entry) => passes(entry, filter))
      .map(({ kind }) => kind);
  expect(kinds('all')).toHaveLength(10);
  expect(kinds('findings')).toEqual(['reading', 'answer', 'voided']);
  expect(kinds('safety')).toEqual(['safed', 'safed', 'safed', 'safed']);
  expect(kinds('notes')).toEqual(['observed']);
  expect(kinds('undone')).toEqual(['reading', 'voided', 'withdrawn']);
});

test('a part that was fitted stands among the findings', () => {
  const log = provenDead();
  const { id } = log.add('fitted', { part: 'board', note: '' });
  const fitted = folded(log).find((entry) => entry.id === id)!;
  expect(passes(fitted, 'findings')).toBe(true);
  expect(placeOfEntry(fitted, smallSheet)).toEqual({ stage: 'mend' });
});
