import { meterProfileSchema } from '@jeitinho/core';
import { sheetSchema } from '@jeitinho/core/sheet';
import { readShares, shareWords } from './record-field';
import { blankOf, branchOf, controlOf, labelOf, nameOf, tagOf, type Schema } from './schema';
import { at, fromPointer, moved, pointer, withValue } from './update';

const sheet = sheetSchema as unknown as Schema;
const field = (name: string) => sheet.properties![name]!;
const itemOf = (schema: Schema) => {
  const control = controlOf(schema);
  if (control.kind !== 'list') throw new Error('no list');
  return control.item;
};

/** Every schema below one, so that no field of a sheet is out of the form’s reach. */
function walk(schema: Schema, path: string, seen: (path: string, kind: string) => void): void {
  const control = controlOf(schema);
  seen(path, control.kind);
  if (control.kind === 'object')
    for (const [key, inner] of Object.entries(control.properties))
      walk(inner, `${path}/${key}`, seen);
  if (control.kind === 'list') walk(control.item, `${path}/*`, seen);
  if (control.kind === 'record') walk(control.value, `${path}/*`, seen);
  if (control.kind === 'variants')
    for (const branch of control.branches) walk(branch, `${path}<${tagOf(branch)}>`, seen);
}

test('every field of a sheet and of a meter has a control of its own', () => {
  const bare: string[] = [];
  for (const schema of [sheet, meterProfileSchema as unknown as Schema])
    walk(schema, '', (path, kind) => kind === 'json' && bare.push(path));
  expect(bare).toEqual([]);
});

test('of tests, the branch that has the value’s fields is meant', () => {
  const tests = itemOf(field('tests'));
  const asks = controlOf(tests, { id: 'a', how: 'look', asks: '?', answers: {} });
  const measures = controlOf(tests, { id: 'a', how: 'look', points: [], expect: {} });
  expect(asks.kind === 'object' && 'answers' in asks.properties).toBe(true);
  expect(measures.kind === 'object' && 'points' in measures.properties).toBe(true);
});

test('limits of a sequence stand beside its places, with all kinds to choose from', () => {
  const sequence = controlOf(itemOf(field('sequences')));
  if (sequence.kind !== 'object') throw new Error('no object');
  const expectation = controlOf(itemOf(sequence.properties.expects!), { kind: 'atMost', high: 5 });
  expect(expectation.kind === 'object' && Object.keys(expectation.properties)).toEqual(
    expect.arrayContaining(['red', 'phase', 'kind', 'high', 'unit']),
  );
});

test('a blank has what is required, and nothing else', () => {
  const board = itemOf(field('boards'));
  expect(blankOf(board)).toEqual({ id: '', name: '', size: [10, 10] });
  const curve = itemOf(field('curves'));
  const control = controlOf(curve);
  expect(control.kind === 'variants' && tagOf(branchOf(control.branches, { kind: 'table' })!)).toBe(
    'table',
  );
});

test('names and labels', () => {
  expect(labelOf('waitMinutes')).toBe('wait minutes');
  expect(nameOf({ id: 'CN1', name: 'Mains' }, 0)).toBe('CN1 · Mains');
  expect(nameOf({}, 4)).toBe('5');
  expect(nameOf('x', 0)).toBe('x');
});

describe('changing one place', () => {
  const document = { a: [{ b: 1 }, { b: 2 }], c: 3 };
  test('leaves the rest the very same', () => {
    const next = withValue(document, ['a', 1, 'b'], 9);
    expect(next).toEqual({ a: [{ b: 1 }, { b: 9 }], c: 3 });
    expect(next.a[0]).toBe(document.a[0]);
    expect(document.a[1]!.b).toBe(2);
  });
  test('undefined removes a field, or an item', () => {
    expect(withValue(document, ['c'], undefined)).toEqual({ a: document.a });
    expect(withValue(document, ['a', 0], undefined).a).toEqual([{ b: 2 }]);
    expect(withValue(document, [], 7 as never)).toBe(7);
  });
  test('what is not there yet is made', () => {
    expect(withValue({} as Record<string, unknown>, ['x', 'y'], 1)).toEqual({ x: { y: 1 } });
  });
  test('pointers there and back', () => {
    expect(fromPointer(pointer(['a', 1, 'b']))).toEqual(['a', 1, 'b']);
    expect(at(document, ['a', 1, 'b'])).toBe(2);
    expect(at(document, ['x', 'y'])).toBeUndefined();
  });
  test('moving stops at the ends', () => {
    expect(moved([1, 2, 3], 0, 1)).toEqual([2, 1, 3]);
    expect(moved([1, 2, 3], 0, -1)).toEqual([1, 2, 3]);
  });
});

test.each<[string, unknown]>([
  ['short', 'short'],
  ['short 0.4, ok 0.6', { short: 0.4, ok: 0.6 }],
  ['short 40 %; ok 60%', { short: 0.4, ok: 0.6 }],
  ['short: 0,4, ok 0,6', { short: 0.4, ok: 0.6 }],
  ['short 0.4, ok', undefined],
  ['', undefined],
])('shares typed as %p', (text, wanted) => {
  expect(readShares(text)).toEqual(wanted);
  if (wanted !== undefined) expect(readShares(shareWords(wanted))).toEqual(wanted);
});
