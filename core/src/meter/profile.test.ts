import { smallMeter } from '../../test/small-sheet';
import { accuracyAt, rangesOf } from './profile';

test('the finest range that holds the reading is taken', () => {
  expect(accuracyAt(smallMeter, 'V=', 12)).toEqual({
    percent: 0.5,
    absolute: 0.02,
    instrument: 'm',
  });
  expect(accuracyAt(smallMeter, 'V=', -120)).toEqual({
    percent: 0.5,
    absolute: 0.2,
    instrument: 'm',
  });
});

test('beyond every range the widest one speaks; without the function there is none', () => {
  expect(accuracyAt(smallMeter, 'V=', 5000)).toEqual({
    percent: 0.5,
    absolute: 0.2,
    instrument: 'm',
  });
  expect(accuracyAt(smallMeter, 'A~', 1)).toBeUndefined();
});

test('ranges come finest first, however the profile lists them', () => {
  const shuffled = {
    ...smallMeter,
    functions: smallMeter.functions.map((f) => ({ ...f, ranges: [...f.ranges].reverse() })),
  };
  expect(rangesOf(shuffled, 'V=').map((range) => range.upTo)).toEqual([60, 600]);
});
