import fc from 'fast-check';
import {
  isReading,
  mismatchWords,
  MeterLines,
  parseMeterLine,
  sameFunction,
  spoiledBy,
  type MeterLine,
} from './stream';

const line = (more: object = {}) =>
  JSON.stringify({ t: 1, fn: 'V~', value: 231.4, unit: 'V', flags: ['auto'], ...more });

test('a line of the protocol is read as it stands', () => {
  expect(
    parseMeterLine('{"t":1732.42,"fn":"V~","value":231.4,"unit":"V","flags":["auto","stable"]}'),
  ).toEqual({
    t: 1732.42,
    fn: 'V~',
    value: 231.4,
    unit: 'V',
    flags: ['auto', 'stable'],
  });
  expect(parseMeterLine(line({ value: null, flags: ['OL'] }))).toMatchObject({ value: null });
});

test.each([
  '',
  '{}',
  '[]',
  'null',
  '"V"',
  line({ value: 'NaN' }),
  line({ t: null }),
  line({ fn: 'sparks' }),
  line({ fn: 'toString' }),
  line({ flags: 'OL' }),
  line({ flags: [1] }),
  line({ unit: 5 }),
  '{"t":1,"fn":"V~","value":1e999,"unit":"V"}',
])('%s is no reading', (text) => {
  expect(parseMeterLine(text)).toBeUndefined();
});

test('a figure that means nothing says why; a restless or an overloaded one means something', () => {
  expect(spoiledBy({ flags: ['auto', 'fuse'] })).toMatch(/fuse is blown/);
  expect(spoiledBy({ flags: ['auto', 'OL', 'disturbed'] })).toMatch(/^⚠ Voltage stands/);
  for (const flags of [[], ['auto', 'stable'], ['OL'], ['unsteady'], ['buzzer']])
    expect(spoiledBy({ flags })).toBeUndefined();
});

test('lines cut anywhere come together again, in their order', () => {
  const values = Array.from({ length: 30 }, (_, i) => i / 7);
  const text = values.map((value, i) => `${line({ t: i, value })}\n`).join('');
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1 }), (cuts) => {
      const lines = new MeterLines();
      const found: number[] = [];
      let at = 0;
      for (let i = 0; at < text.length; i += 1) {
        const size = cuts[i % cuts.length]!;
        for (const each of lines.feed(text.slice(at, at + size)))
          if (isReading(each)) found.push(each.value!);
        at += size;
      }
      expect(found).toEqual(values);
    }),
  );
});

test('two streams in one cable are noise, and the next whole line is read again', () => {
  const lines = new MeterLines();
  const mixed = `${line().slice(0, 20)}${line({ t: 2 })}\n${line({ t: 3 })}\n`;
  const found = lines.feed(mixed);
  expect(found.map(isReading)).toEqual([false, true]);
  expect((found[1] as MeterLine).t).toBe(3);
});

test('a figure from before never passes for the present one', () => {
  const lines = new MeterLines();
  const found = lines.feed(`${line({ t: 5 })}\n${line({ t: 4.5 })}\n${line({ t: 6 })}\n`);
  expect(found.map((each) => (isReading(each) ? each.t : each.why))).toEqual([
    5,
    'out-of-order',
    6,
  ]);
  lines.restart();
  expect(isReading(lines.feed(`${line({ t: 0.1 })}\n`)[0]!)).toBe(true);
});

test('noise without an end is dropped, and what follows it is read', () => {
  const lines = new MeterLines();
  const noise = Array.from({ length: 50 }, () => lines.feed('x'.repeat(1000))).flat();
  expect(noise).toHaveLength(1);
  expect(lines.feed(`yyy\n${line()}\n`).map(isReading)).toEqual([true]);
});

test('a thousand lines a second are read without falling behind', () => {
  const lines = new MeterLines();
  const text = Array.from({ length: 1000 }, (_, i) => `${line({ t: i })}\n`).join('');
  expect(lines.feed(text).filter(isReading)).toHaveLength(1000);
});

test('a buzzer answers a card that wants ohms; volts do not', () => {
  expect(sameFunction('continuity', 'ohm')).toBe(true);
  expect(sameFunction('V=', 'V~')).toBe(false);
  expect(mismatchWords('V=', 'ohm')).toBe('The card wants ohms, the meter is on DC volts.');
});
