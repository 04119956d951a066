/** Copies written out, variants left away, and every problem told where its author can mend it. */
import fc from 'fast-check';
import { smallSheet } from '../../../test/small-sheet';
import { checkWritten } from '../../checks/written';
import { readSheetText } from '../../validate';
import { codeKey, decodeCode } from '../codes/match';
import type { WrittenSheet } from '../schema';
import { writeSheet } from '../write';
import { expandSheet, plainSheet } from './expand';
import { variantOwed } from '../variant-owed';
import { machinesOf, presenceOf } from './variants';

/** The small machine with a sensor on each of two circuits, and an eye that only the newer one has. */
const written = (change: (sheet: WrittenSheet) => void = () => undefined): WrittenSheet => {
  const sheet = structuredClone(smallSheet) as WrittenSheet;
  sheet.repeats = [{ id: 'c', of: ['1', '2'], name: 'Circuit {c}' }];
  sheet.variants = [
    { id: 'age', asks: 'Which plate has it?', answers: { small: 'old', large: 'new' } },
  ];
  sheet.boards[0]!.connectors!.push({
    per: 'c',
    id: 'S{c}',
    at: [20, 30],
    pins: [{ n: 1, signal: 'sensor {c}' }, { n: 2 }],
  });
  sheet.tests.push(
    {
      per: 'c',
      id: 'sensor-{c}',
      title: 'Sensor of {c.name}',
      how: 'measure',
      state: 'dead',
      access: { plug: 'out' },
      function: 'ohm',
      points: [{ id: 'a', red: 'b.S{c}.1', black: 'b.S{c}.2' }],
      expect: { kind: 'between', low: 9000, high: 11000, unit: 'ohm' },
    },
    {
      only: ['new'],
      id: 'eye',
      title: 'Eye',
      how: 'look',
      state: 'dead',
      asks: 'Does the eye light?',
      answers: { yes: 'ok', no: 'dark' },
    },
  );
  sheet.parts.push({ per: 'c', id: 'sensor-{c}', name: 'Sensor {c}' });
  sheet.faults.push({
    per: 'c',
    id: 'sensor-open-{c}',
    name: 'Sensor of {c.name} open',
    part: 'sensor-{c}',
    prior: 2,
    shows: { 'sensor-{c}': 'open' },
  });
  // What stands once shows at every copy, and where the newer one has its eye, there too.
  Object.assign(sheet.faults[0]!.shows, { 'sensor-{c}': 'short', eye: 'dark' });
  sheet.codes.list.push({
    per: 'c',
    code: 'S1',
    title: 'Sensor of {c.name}',
    suspects: { 'sensor-open-{c}': 0.9 },
    also: ['SENS'],
  });
  change(sheet);
  return sheet;
};

test('every copy is written out with its own ids, places and words', () => {
  const { tests, faults, boards, parts } = plainSheet(written(), { age: 'new' });
  expect(tests.map(({ id }) => id)).toEqual([
    ...smallSheet.tests.map(({ id }) => id),
    'sensor-1',
    'sensor-2',
    'eye',
  ]);
  expect(tests.find(({ id }) => id === 'sensor-2')).toMatchObject({
    title: 'Sensor of Circuit 2',
    points: [{ red: 'b.S2.1', black: 'b.S2.2' }],
  });
  expect(tests.find(({ id }) => id === 'sensor-2')).not.toHaveProperty('per');
  expect(boards[0]!.connectors!.map(({ id }) => id)).toEqual(['CN1', 'S1', 'S2']);
  expect(parts.slice(-2).map(({ name }) => name)).toEqual(['Sensor 1', 'Sensor 2']);
  expect(faults.at(-1)!.shows).toEqual({ 'sensor-2': 'open' });
  expect(faults[0]!.shows).toMatchObject({ 'sensor-1': 'short', 'sensor-2': 'short' });
});

test('what only one variant has is not there with the other, and nothing shows at it', () => {
  const old = plainSheet(written(), { age: 'old' });
  expect(old.tests.some(({ id }) => id === 'eye')).toBe(false);
  expect(old.faults[0]!.shows).not.toHaveProperty('eye');
  expect(plainSheet(written(), { age: 'new' }).faults[0]!.shows).toHaveProperty('eye', 'dark');
});

test('while nobody has looked, what hangs on the variant asks for it first', () => {
  const sheet = plainSheet(written());
  const owed = (id: string) =>
    variantOwed(
      sheet,
      sheet.tests.find((each) => each.id === id)!,
    )?.id;
  expect(owed('eye')).toBe('age');
  expect(owed('sensor-1')).toBeUndefined();
});

test('two tests of one id, one for each variant: the machine has one of them', () => {
  const sheet = written(({ tests }) => {
    tests.push({ ...structuredClone(tests.at(-1)!), only: ['old'], title: 'Older eye' });
  });
  expect(checkWritten(sheet).filter(({ severity }) => severity === 'problem')).toEqual([]);
  const titles = (age?: string) =>
    plainSheet(sheet, age === undefined ? {} : { age })
      .tests.filter(({ id }) => id === 'eye')
      .map(({ title }) => title);
  expect(titles('old')).toEqual(['Older eye']);
  expect(titles('new')).toEqual(['Eye']);
  expect(titles()).toEqual(['Eye']);
});

test('the same code on two circuits is two, told apart by the unit that is named with it', () => {
  const sheet = plainSheet(written(), { age: 'new' });
  expect(sheet.codes.list.map(codeKey)).toEqual(['E1', 'S1@1', 'S1@2']);
  expect(decodeCode(sheet, 's1', '2').listed).toMatchObject({
    unit: '2',
    unitName: 'Circuit 2',
    suspects: { 'sensor-open-2': 0.9 },
  });
  const unsaid = decodeCode(sheet, 'S1');
  expect(unsaid.listed).toBeUndefined();
  expect(unsaid.copies?.map(({ unit }) => unit)).toEqual(['1', '2']);
  expect(decodeCode(sheet, 'sens', '1').listed?.unit).toBe('1');
});

test('a sheet that says nothing twice is itself, and the same answers give the same sheet', () => {
  const plain = structuredClone(smallSheet) as WrittenSheet;
  expect(plainSheet(plain)).toBe(plain);
  const sheet = written();
  expect(plainSheet(sheet, { age: 'old' })).toBe(plainSheet(sheet, { age: 'old' }));
  expect(plainSheet(sheet, { age: 'old' })).not.toBe(plainSheet(sheet, { age: 'new' }));
});

test('it is sound, and reads back as it was written', () => {
  const sheet = written();
  expect(checkWritten(sheet).filter(({ severity }) => severity === 'problem')).toEqual([]);
  const read = readSheetText(writeSheet(sheet));
  expect(read.ok && read.value).toEqual(sheet);
});

const SPOILED: readonly [string, (sheet: WrittenSheet) => void, string][] = [
  ['a repeat over nothing', (s) => s.repeats!.push({ id: 'z', of: ['1'] }), '/repeats/1'],
  ['a copy of no repeat', (s) => Object.assign(s.tests.at(-2)!, { per: 'q' }), '/tests/4/per'],
  ['copies of one id', (s) => Object.assign(s.tests.at(-2)!, { id: 'sensor' }), '/tests/4/id'],
  ['no such variant', (s) => Object.assign(s.tests.at(-1)!, { only: ['x'] }), '/tests/5/only/0'],
  [
    'one variant for two questions',
    (s) => s.variants!.push({ id: 'b', asks: 'And?', answers: { a: 'old', b: 'other' } }),
    '/variants/1/answers',
  ],
  [
    'answers that do not differ',
    (s) => Object.assign(s.variants![0]!, { answers: { a: 'new', b: 'new' } }),
    '/variants/0/answers',
  ],
  [
    'a placeholder where no copy is',
    (s) => Object.assign(s.tests[0]!, { title: 'Of {c.name}' }),
    '/tests/0/title',
  ],
  [
    'a copy that names a place of none',
    (s) => Object.assign((s.tests.at(-2) as { points: object[] }).points[0]!, { red: 'b.T{c}.1' }),
    '/tests/4/points/0/red',
  ],
  [
    'a fault that only the other variant would show',
    (s) =>
      s.faults.push({
        id: 'blind',
        name: 'Blind eye',
        part: s.parts[0]!.id,
        prior: 1,
        shows: { eye: 'dark' },
      }),
    '/faults/4/shows',
  ],
];

test.each(SPOILED)('%s is told where it stands', (_, spoil, path) => {
  const sheet = written(spoil);
  const found = checkWritten(sheet);
  expect(found.map((each) => each.path)).toContain(path);
  // Once, not once for every copy.
  const there = found.filter((each) => each.path === path).map(({ code }) => code);
  expect(new Set(there).size).toBe(there.length);
});

test('what one variant alone lacks says with which', () => {
  const [, spoil, path] = SPOILED.at(-1)!;
  const told = checkWritten(written(spoil)).find((each) => each.path === path);
  expect(told?.message).toMatch(/So it is with “small”/);
});

test('machines: every way to answer, each once; too many questions, each variant once', () => {
  const question = (n: number) => ({
    id: `q${n}`,
    asks: '?',
    answers: { a: `a${n}`, b: `b${n}`, again: `a${n}` },
  });
  expect(machinesOf([question(1), question(2)])).toHaveLength(4);
  expect(machinesOf(Array.from({ length: 9 }, (_, n) => question(n)))).toHaveLength(18);
  const [one, two] = [question(1), question(2)];
  expect(presenceOf(['a1', 'a2'], [one, two], { q1: 'a1', q2: 'b2' })).toBe('not there');
  expect(presenceOf(['a1', 'a2'], [one, two], { q1: 'a1', q2: 'a2' })).toBe('there');
  expect(presenceOf(['a1', 'a2'], [one, two], { q1: 'a1' })).toBe('unknown');
});

test('any number of copies: each thing as often as there are copies, and every path leads back', () => {
  const copies = fc.uniqueArray(fc.stringMatching(/^[A-Z0-9]{1,3}$/), {
    minLength: 1,
    maxLength: 6,
  });
  fc.assert(
    fc.property(copies, copies, (of, faces) => {
      const sheet = written((s) => {
        s.repeats = [
          { id: 'c', of },
          { id: 'f', of: faces },
        ];
        s.tests.push({
          per: 'c',
          id: 'face-{c}',
          title: 'Faces',
          how: 'measure',
          state: 'dead',
          function: 'ohm',
          points: [{ per: 'f', id: '{f}', red: 'b.S{c}.1', black: 'b.S{c}.2' }],
          expect: { kind: 'atLeast', low: 1, unit: 'ohm' },
        });
      });
      const { sheet: plain, writtenAt, strays } = expandSheet(sheet, { age: 'new' });
      expect(strays).toEqual([]);
      const from = smallSheet.tests.length;
      const faced = plain.tests.slice(from + of.length + 1);
      expect(faced).toHaveLength(of.length);
      faced.forEach((test, i) => {
        expect('points' in test && test.points.map(({ id }) => id)).toEqual(faces);
        const t = from + of.length + 1 + i;
        faces.forEach((_, p) =>
          expect(writtenAt(`/tests/${t}/points/${p}/red`)).toBe(`/tests/${from + 2}/points/0/red`),
        );
      });
      expect(JSON.stringify(plain)).not.toMatch(/\{[cf]\}/);
    }),
    { numRuns: 60 },
  );
});
