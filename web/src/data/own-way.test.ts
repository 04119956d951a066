/** Pins and what is put off, as the device keeps them. */
import { parseOwnWay, turned } from './own-way';

test('pinned and put off exclude each other, and said again are taken back', () => {
  const pinned = turned({}, 'pin', 'rail');
  expect(pinned).toEqual({ pinned: 'rail', putOff: [] });
  const off = turned(pinned, 'put-off', 'rail');
  expect(off).toEqual({ putOff: ['rail'] });
  expect(turned(off, 'pin', 'rail')).toEqual({ pinned: 'rail', putOff: [] });
  expect(turned(off, 'put-off', 'rail')).toEqual({ putOff: [] });
  expect(turned(pinned, 'pin', 'rail')).toEqual({ putOff: [] });
  expect(turned({ pinned: 'a', putOff: ['b'] }, 'put-off', 'c')).toEqual({
    pinned: 'a',
    putOff: ['b', 'c'],
  });
});

test('what a device kept badly is no way at all', () => {
  for (const text of [undefined, null, '', 'nonsense', '[]', '{"pinned":3,"putOff":"x"}'])
    expect(parseOwnWay(text)).toEqual({ putOff: [] });
  expect(parseOwnWay('{"pinned":"a","putOff":["b",1]}')).toEqual({ pinned: 'a', putOff: ['b'] });
});
