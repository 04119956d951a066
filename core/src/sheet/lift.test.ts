/** Sheets of edition 1 are read as edition 2, and what could not be lifted is said. */
import fc from 'fast-check';
import { smallSheet } from '../../test/small-sheet';
import { wideSheet } from '../../test/wide-sheet';
import { readSheet } from '../validate';
import { liftSheet } from './lift';

type Loose = Record<string, unknown>;

/** The wide sheet as edition 1 wrote it. */
function firstEdition(): Loose {
  const sheet = structuredClone(wideSheet) as unknown as Loose;
  return {
    ...sheet,
    format: 'jeitinho.sheet/1',
    tests: (sheet.tests as Loose[]).map(({ access, isolates, ...test }) => ({
      ...test,
      ...(access !== undefined && { access: Object.keys(access as object) }),
      ...(isolates !== undefined && { isolated: true }),
    })),
  };
}

test('what was listed is out, and the plugs of what was isolated isolate', () => {
  expect(liftSheet(firstEdition()).value).toEqual(wideSheet);
  const read = readSheet(firstEdition());
  expect(read).toMatchObject({ ok: true, value: { format: 'jeitinho.sheet/2' } });
  expect(read.warnings.map(({ code, path }) => `${code} ${path}`)).toContain('lifted /format');
});

test('isolated without a plug is named for its author', () => {
  const old = firstEdition();
  (old.tests as Loose[])[4]!.access = ['lid'];
  const { notes } = liftSheet(old);
  expect(notes.map(({ path }) => path)).toEqual(['/format', '/tests/4/isolates']);
  expect(notes.every(({ severity }) => severity === 'warning')).toBe(true);
});

test('a sheet of this edition is left as it is, and nothing given is changed', () => {
  expect(liftSheet(smallSheet)).toEqual({ value: smallSheet, notes: [] });
  const old = firstEdition();
  const before = structuredClone(old);
  liftSheet(old);
  expect(old).toEqual(before);
});

test('whatever claims to be a sheet of edition 1 is lifted without an error', () => {
  fc.assert(
    fc.property(
      fc.record({
        tests: fc.oneof(fc.jsonValue(), fc.array(fc.record({ access: fc.jsonValue() }))),
        access: fc.jsonValue(),
        sequences: fc.jsonValue(),
      }),
      (rest) => {
        const { value } = liftSheet({ format: 'jeitinho.sheet/1', ...rest });
        expect((value as Loose).format).toBe('jeitinho.sheet/2');
        expect(() => readSheet(value)).not.toThrow();
      },
    ),
  );
});
