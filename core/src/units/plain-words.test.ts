import { hasWords, plainText, plainWords } from './plain-words';

test('accents, case and what stands between words do not matter; a word may be cut short', () => {
  expect(plainText('Pousada do LÚMÉ')).toBe('pousada do lume');
  expect(plainWords('Café, UF4-20331 (bar)')).toEqual(['cafe', 'uf4', '20331', 'bar']);
  const there = ['Café Três Candeias', 'UF4-20331'];
  expect(hasWords(there, plainWords('tres uf4-203'))).toBe(true);
  expect(hasWords(there, plainWords('afe'))).toBe(false);
  expect(hasWords(there, [])).toBe(true);
});
