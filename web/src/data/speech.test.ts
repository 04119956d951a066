import { asSpoken } from './speech';

test.each([
  ['Red on CN5 pin 3, black on pin 1.', 'Red on C N 5 pin 3, black on pin 1.'],
  ['1.95\u2009kΩ: in.', '1.95 kiloohms: in.'],
  ['9.4\u2009µA', '9.4 microamps'],
  ['\u22125\u2009V', 'minus 5 volts'],
  ['OL: out: open.', 'O L: out: open.'],
  ['Point U. Nothing to touch.', 'Point U. Nothing to touch.'],
])('“%s” is said “%s”', (text, spoken) => {
  expect(asSpoken(text)).toBe(spoken);
});
