import fc from 'fast-check';
import { logWriter, smallSheet } from '../test/small-sheet';
import { check, readEntry, readSheet, Type } from './validate';

const good = logWriter().make('observed', { text: 'hums' });

test('a good sheet and a good entry are read as they are, nothing added or dropped', () => {
  const sheet = { ...structuredClone(smallSheet), shopNote: 'kept' };
  expect(readSheet(sheet)).toMatchObject({
    ok: true,
    value: sheet,
    warnings: [{ path: '/shopNote', code: 'unknown-field' }],
  });
  expect(readEntry(good)).toEqual({ ok: true, value: good });
});

test.each<[string, unknown, string]>([
  ['no id', { ...good, id: undefined }, ''],
  ['an id that is no UUID', { ...good, id: '7' }, '/id'],
  ['an unknown kind', { ...good, kind: 'hologram' }, '/kind'],
  ['a moment that is none', { ...good, at: '2026-13-40T99:99:99.999Z' }, '/at'],
  ['a body of another kind', { ...good, kind: 'code' }, '/body'],
  ['a field too many', { ...good, body: { text: 'x', loud: true } }, '/body'],
  ['text without end', { ...good, body: { text: 'x'.repeat(5000) } }, '/body/text'],
  ['not an object', 'hello', ''],
  ['nothing', null, ''],
])('%s is refused with its path', (_, value, path) => {
  const read = readEntry(value, '/entries/2');
  expect(read.ok).toBe(false);
  if (!read.ok) expect(read.problems.map((p) => p.path)).toContain(`/entries/2${path}`);
});

test('a huge or non-finite reading does not pass', () => {
  const reading = (value: unknown) => ({
    ...good,
    kind: 'reading',
    body: { test: 't', point: 'p', function: 'V=', reading: { kind: 'value', value }, typed: '' },
  });
  expect(readEntry(reading(1e300)).ok).toBe(false);
  expect(readEntry(reading(null)).ok).toBe(false);
  expect(readEntry(reading(12)).ok).toBe(true);
});

test('a sheet of another format, and one that contradicts itself', () => {
  expect(readSheet({ ...smallSheet, format: 'jeitinho.sheet/9' })).toMatchObject({
    ok: false,
    problems: [{ path: '/format', code: 'newer-format' }],
  });
  const torn = structuredClone(smallSheet);
  torn.faults[0]!.part = 'nobody';
  expect(readSheet(torn)).toMatchObject({ ok: false, problems: [{ path: '/faults/0/part' }] });
});

test('random damage to a sheet never crashes the reader', () => {
  const text = JSON.stringify(smallSheet);
  fc.assert(
    fc.property(
      fc.nat(text.length - 1),
      fc.nat(30),
      fc.string({ maxLength: 6 }),
      (at, cut, put) => {
        let value: unknown;
        try {
          value = JSON.parse(text.slice(0, at) + put + text.slice(at + cut));
        } catch {
          return;
        }
        expect(typeof readSheet(value).ok).toBe('boolean');
      },
    ),
    { numRuns: 400 },
  );
});

test('any value at all is either an entry or a list of problems', () => {
  fc.assert(
    fc.property(fc.anything(), (value) => {
      const read = readEntry(value);
      if (!read.ok) expect(read.problems.length).toBeGreaterThan(0);
    }),
  );
});

test('problems of a plain schema are sentences', () => {
  const schema = Type.Object({ name: Type.String() }, { additionalProperties: false });
  expect(check(schema, { nam: 1 })).toMatchObject({
    ok: false,
    problems: [
      { path: '', message: '“name” is missing; add it.' },
      { path: '', message: '“nam” is not a field here; remove it.' },
    ],
  });
});
