import { isOver, placeNow, setOut } from './going';

test('the new place is in hand at once, whatever the address still says', () => {
  const going = setOut(undefined, 'a', 'b');
  expect(placeNow(going, 'a')).toBe('b');
  expect(isOver(going, 'a', undefined)).toBe(false);
  expect(isOver(going, 'b', going.trip)).toBe(true);
});

test('back before the address moved: the trip away, arriving late, leads nowhere else', () => {
  const away = setOut(undefined, 'a', 'b');
  const back = setOut(away, 'a', 'a');
  // The address says “a” already; the router still carries “b”.
  expect(isOver(back, 'a', undefined)).toBe(false);
  expect(isOver(back, 'b', away.trip)).toBe(false);
  expect(placeNow(back, 'b')).toBe('a');
  expect(isOver(back, 'a', back.trip)).toBe(true);
});

test('a link to another place ends the trip', () => {
  const going = setOut(undefined, 'a', 'b');
  expect(isOver(going, 'c', undefined)).toBe(true);
  expect(placeNow(going, 'c')).toBe('c');
});
