import fc from 'fast-check';
import { wideSheet } from '../../test/wide-sheet';
import { meterProfileSchema } from '../meter/profile';
import { sheetSchema } from '../sheet/schema';
import { check, readSheet, readSheetText } from '../validate';
import { DEEPEST, LARGEST_SHEET, tooDeep } from './bounds';
import { hoistUnions } from './hoist';

const problemsOf = (value: unknown) => {
  const read = readSheet(value);
  return read.ok ? [] : read.problems;
};
const damaged = (change: (sheet: Record<string, never>) => void) => {
  const sheet = structuredClone(wideSheet) as unknown as Record<string, never>;
  change(sheet);
  return sheet;
};

describe('bounds', () => {
  test('a file too large, one that breaks off, one that is no sheet at all', () => {
    expect(readSheetText(' '.repeat(LARGEST_SHEET + 1))).toMatchObject({
      ok: false,
      problems: [{ code: 'too-large' }],
    });
    const torn = readSheetText('{\n"format": "jeitinho.sheet/1",\n"id": ');
    expect(torn).toMatchObject({ ok: false, problems: [{ code: 'not-json' }] });
    for (const text of ['', '[]', '7', 'null', '"x"', '\uFEFF{}'])
      expect(readSheetText(text).ok).toBe(false);
  });
  test('the line is named where the JSON breaks', () => {
    const read = readSheetText('{\n"a": 1,\n');
    expect(!read.ok && read.problems[0]!.message).toMatch('line 3');
  });
  test('nesting without end, and a value that contains itself', () => {
    let deep: unknown = {};
    for (let i = 0; i < 100_000; i += 1) deep = [deep];
    expect(problemsOf(deep)[0]).toMatchObject({ code: 'too-deep' });
    expect(problemsOf({ ...wideSheet, extra: deep })[0]).toMatchObject({ code: 'too-deep' });
    const own: Record<string, unknown> = { ...wideSheet };
    own.self = own;
    expect(problemsOf(own)[0]).toMatchObject({ code: 'too-deep' });
    const inner: Record<string, unknown> = {};
    inner.again = { inner };
    expect(problemsOf({ ...wideSheet, inner })[0]).toMatchObject({ code: 'too-deep' });
    expect(tooDeep(wideSheet)).toBeUndefined();
    expect(DEEPEST).toBeGreaterThan(10);
  });
  test('a newer format is refused with a sentence, an unknown one with another', () => {
    expect(problemsOf({ ...wideSheet, format: 'jeitinho.sheet/3' })).toMatchObject([
      { code: 'newer-format', message: expect.stringContaining('Update the program') as string },
    ]);
    expect(problemsOf({ ...wideSheet, format: 'other/1' })).toMatchObject([
      { path: '/format', code: 'schema' },
    ]);
    expect(problemsOf({ ...wideSheet, format: undefined })).toMatchObject([{ path: '/format' }]);
  });
});

describe('problems of the schema', () => {
  test('all of them, not only the first, each with a mending sentence', () => {
    const found = problemsOf(
      damaged((s) => {
        Object.assign(s, { title: '', revision: 0 });
        delete (s as Record<string, unknown>).source;
      }),
    );
    expect(found.map(({ path, message }) => `${path} ${message}`)).toEqual([
      ' “source” is missing; add it.',
      '/title may not be empty; fill it in.',
      '/revision must be at least 1; correct the figure.',
    ]);
  });
  test('of a choice only the kind that was meant complains', () => {
    const found = problemsOf({
      ...wideSheet,
      tests: [{ ...wideSheet.tests[2]!, expect: { kind: 'between', low: '4', unit: 'furlong' } }],
    });
    expect(found.map(({ path, message }) => `${path} ${message}`)).toEqual([
      '/tests/0/expect “high” is missing; add it.',
      '/tests/0/expect/low must be a number, without quotes and without its unit.',
      expect.stringMatching('^/tests/0/expect/unit must be one of V, A, ohm'),
    ]);
  });
  test('an unknown kind is one problem that lists the known ones', () => {
    const found = problemsOf({
      ...wideSheet,
      tests: [{ ...wideSheet.tests[2]!, expect: { kind: 'magic', unit: 'V' } }],
    });
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ path: '/tests/0/expect/kind' });
    expect(found[0]!.message).toMatch(/between, nominal, .*pattern/);
  });
  test('a question without answers is not taken for a measurement', () => {
    const found = problemsOf({
      ...wideSheet,
      tests: [{ ...wideSheet.tests[1]!, answers: undefined }],
    });
    expect(found.map(({ message }) => message)).toContain('“answers” is missing; add it.');
    expect(found).toHaveLength(1);
  });
});

test('unknown fields are kept and named, wherever they stand; known ones are not', () => {
  const read = readSheet({
    ...wideSheet,
    shopNote: 'x',
    tests: wideSheet.tests.map((each, i) => (i === 2 ? { ...each, colour: 'red' } : each)),
  });
  expect(read.warnings.map(({ path, code }) => `${code} ${path}`)).toEqual([
    'unknown-field /tests/2/colour',
    'unknown-field /shopNote',
  ]);
  expect(read.ok && (read.value as unknown as { shopNote: string }).shopNote).toBe('x');
  expect(readSheet(wideSheet).warnings).toEqual([]);
});

test('hoisting unions changes what is written, not what is accepted', () => {
  const hoisted = hoistUnions(sheetSchema);
  expect(JSON.stringify(hoisted).length).toBeLessThan(JSON.stringify(sheetSchema).length);
  expect(Object.keys(hoisted.$defs as object).length).toBeGreaterThan(0);
  expect(hoistUnions(meterProfileSchema).$defs).toBeUndefined();
  expect(check(sheetSchema, wideSheet).ok).toBe(true);
});

test('random damage to a full sheet never crashes the reader, and a refusal always says why', () => {
  const paths: (string | number)[][] = [];
  const walk = (value: unknown, path: (string | number)[]) => {
    paths.push(path);
    if (value !== null && typeof value === 'object')
      for (const [key, inner] of Object.entries(value))
        walk(inner, [...path, Array.isArray(value) ? Number(key) : key]);
  };
  walk(wideSheet, []);
  fc.assert(
    fc.property(
      fc.constantFrom(...paths.slice(1)),
      fc.oneof(fc.jsonValue(), fc.constant(undefined)),
      (path, value) => {
        const sheet = structuredClone(wideSheet) as unknown;
        let at = sheet as Record<string | number, unknown>;
        for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
        at[path.at(-1)!] = value;
        const read = readSheet(sheet);
        if (!read.ok) {
          expect(read.problems.length).toBeGreaterThan(0);
          for (const { message } of read.problems)
            expect(message).not.toMatch(/undefined|\[object/);
        }
      },
    ),
    { numRuns: 700 },
  );
});
