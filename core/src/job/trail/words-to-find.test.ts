import { logWriter, measured, smallMeter, smallSheet as sheet } from '../../../test/small-sheet';
import { foldJob } from '../fold/fold';
import { findableWords, LONGEST_WORD, textsToFind } from './words-to-find';

test('words are told apart without accents and case; a number written with dashes is one word as well', () => {
  expect(findableWords(['Pousada do LUME', 'NX-00717'])).toEqual([
    ...['pousada', 'do', 'lume', 'nx', '00717', 'nx00717'],
  ]);
  expect(findableWords(['…', '', '— ¿?'])).toEqual([]);
  expect(findableWords(['x'.repeat(100)])).toEqual(['x'.repeat(LONGEST_WORD)]);
  expect(findableWords([Array.from({ length: 5000 }, (_, i) => `w${i}`).join(' ')])).toHaveLength(
    600,
  );
});

test('a job is found by complaint, code, wire, note and part, and not by what was taken back', () => {
  const log = logWriter();
  log.add('opened', { complaint: 'hums at dawn', meter: smallMeter });
  log.add('code', { shown: 'E1' });
  log.add('energised', { precautions: true });
  log.add('reading', measured('rail', '12', 3));
  const note = log.add('observed', { text: 'a slip of the pen' });
  log.add('withdrawn', { entry: note.id, reason: 'typo' });
  log.add('observed', { text: 'ants in the box' });
  const words = findableWords(textsToFind(sheet, foldJob(sheet, log.entries)));
  expect(words).toEqual(expect.arrayContaining(['dawn', 'e1', 'output', 'red', 'cn1', 'ants']));
  expect(words).not.toContain('pen');
});
