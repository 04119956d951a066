import type { Expectation } from '../judge/expectation';
import { buzzerMisleads, fittest, unfitFor, type Duty } from './fitness';
import type { MeterProfile } from './profile';

const range = (upTo: number) => [{ upTo, resolution: upTo / 6000, percent: 1, counts: 3 }];
const pocket: MeterProfile = {
  id: 'pocket',
  name: 'Pocket',
  rating: { category: 2, volts: 300 },
  buzzerBelow: 40,
  functions: [
    { function: 'V=', ranges: range(300) },
    { function: 'ohm', ranges: range(2e6) },
  ],
};
const big: MeterProfile = {
  ...pocket,
  id: 'big',
  name: 'Big',
  rating: { category: 3, volts: 1000 },
  functions: [...pocket.functions.slice(1), { function: 'V=', ranges: range(1000) }],
};
const duty = (over: Partial<Duty> = {}): Duty => ({
  function: 'V=',
  live: true,
  volts: 250,
  category: 2,
  ...over,
});

test.each<[string, Duty, string | undefined]>([
  ['a fit one', duty(), undefined],
  ['volts beyond its rating', duty({ volts: 620 }), 'rating-too-low'],
  ['a higher category', duty({ category: 3 }), 'category-too-low'],
  ['a function it has not', duty({ function: 'capacitance', live: false }), 'no-function'],
  [
    'more than its widest range',
    duty({ expect: { kind: 'nominal', value: 400, percent: 5, unit: 'V' } }),
    'range-too-small',
  ],
  [
    'dead work, whatever the volts were',
    duty({ function: 'ohm', live: false, volts: 620, category: 3 }),
    undefined,
  ],
  [
    'counting clicks, for which no meter is needed',
    duty({ function: 'count', volts: 620 }),
    undefined,
  ],
])('%s', (_, wanted, code) => {
  const unfit = unfitFor(pocket, wanted);
  expect(unfit?.code).toBe(code);
  if (unfit) expect(unfit.message).toMatch(/Take another meter|take (a meter|one)/);
});

test('a meter that states no rating is the technician’s to judge', () => {
  const { rating: _rating, ...unrated } = pocket;
  expect(unfitFor(unrated, duty({ volts: 620 }))).toBeUndefined();
});

test('what counts as readable: OL passes for “open” and “at least”', () => {
  const open: Expectation = { kind: 'open', above: 1e7, unit: 'ohm' };
  expect(unfitFor(pocket, duty({ function: 'ohm', live: false, expect: open }))).toBeUndefined();
});

test('the first fit one of several is taken', () => {
  expect(fittest([pocket, big], duty({ volts: 620, category: 3 }))?.id).toBe('big');
  expect(fittest([pocket], duty({ volts: 620 }))).toBeUndefined();
});

test('the buzzer passes a corroded contact that the number would not', () => {
  expect(buzzerMisleads(pocket, { kind: 'atMost', high: 1, unit: 'ohm' })).toBe(true);
  expect(buzzerMisleads(pocket, { kind: 'atMost', high: 100, unit: 'ohm' })).toBe(false);
});
