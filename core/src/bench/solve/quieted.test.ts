import { changed } from '../changes';
import { readNetlist } from '../spice/read';
import { quieted } from './quieted';
import { alternates } from './rhythm';

const MAINS = readNetlist(
  [
    'mains behind an isolator',
    'V1 s n SIN(0 311 60)',
    'RI s l 0.1',
    'RL l n 100',
    'C1 l n 10u',
    'RN n 0 1',
    'E1 o 0 l n 0.1',
    'RO o 0 1k',
  ].join('\n'),
);
const open = changed(MAINS, ['open ri']);
const level = ({ elements }: typeof MAINS) =>
  elements.flatMap((each) => (each.name === 'v1' && 'wave' in each ? [each.wave.kind] : []));

test('a source behind an open isolator is still; a closed one swings on', () => {
  expect(level(quieted(open, []))).toEqual(['dc']);
  expect(quieted(MAINS, [])).toBe(MAINS);
});

test('a probe on the live side of it, and whoever listens there, keeps it swinging', () => {
  expect(alternates(quieted(open, ['s']))).toBe(true);
  expect(alternates(quieted(open, ['l']))).toBe(false);
  const heard = readNetlist(
    ['t', 'V1 s 0 SIN(0 311 60)', 'R1 s l 1e12', 'R2 l 0 1k', 'E1 o 0 s 0 1', 'R3 o 0 1k'].join(
      '\n',
    ),
  );
  expect(alternates(quieted(heard, []))).toBe(true);
});
