/** A piece that does not come at first comes later. */
import { patiently } from './piece';

test('a piece is asked for until it is here', async () => {
  let asked = 0;
  const piece = patiently(async () => {
    asked += 1;
    if (asked < 3) throw new Error('no network');
    return 'here';
  }, 1);
  await expect(piece).resolves.toBe('here');
  expect(asked).toBe(3);
});
