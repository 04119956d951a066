import { smallSheet } from '../../test/small-sheet';
import { withOdds } from './with-odds';

const prior = (sheet: typeof smallSheet) =>
  Object.fromEntries(sheet.faults.map(({ id, prior: p }) => [id, p]));
const ids = smallSheet.faults.map(({ id }) => id);

test('what the odds know shares what the sheet gives it; the rest keeps its weight', () => {
  const [first, second, third] = ids as [string, string, string];
  const own = prior(smallSheet);
  const weight = own[first]! + own[second]!;
  const learnt = prior(withOdds(smallSheet, { shares: { [first]: 0.1, [second]: 0.3 } }));
  expect(learnt[first]).toBeCloseTo(weight / 4, 12);
  expect(learnt[second]).toBeCloseTo((3 * weight) / 4, 12);
  // It came to the sheet after the odds.
  expect(learnt[third]).toBe(own[third]);
});

test('faults that the sheet has no more, and shares of nothing, change nothing', () => {
  expect(withOdds(smallSheet, { shares: { gone: 1 } })).toBe(smallSheet);
  expect(withOdds(smallSheet, { shares: {} })).toBe(smallSheet);
  const odd = prior(withOdds(smallSheet, { shares: { [ids[0]!]: 0, [ids[1]!]: 1 } }));
  // What has not been seen is not impossible.
  expect(odd[ids[0]!]).toBeGreaterThan(0);
});
