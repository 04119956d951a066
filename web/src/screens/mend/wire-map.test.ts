/** Terminals of a new board, and wires that share one. */
import { loneWords, sharedIn, terminalsOf, type Wire } from './wire-map';

const wires: Wire[] = [
  { from: 'old R', to: 'new 24V', wire: 'red' },
  { from: 'old C', to: 'new COM' },
  { from: 'old B', to: 'new COM' },
];

test('each terminal once, in the order in which it comes; shared ones are named', () => {
  expect(terminalsOf(wires)).toEqual(['new 24V', 'new COM']);
  expect([...sharedIn(wires.map(({ to }) => to!))]).toEqual(['new COM']);
  expect(sharedIn([]).size).toBe(0);
});

test('what has no mate is said on its own side, and makes no terminal where there is none', () => {
  const lone: Wire[] = [{ from: 'old W2' }, { to: 'new DF2' }, { from: 'old R', to: 'new 24V' }];
  expect(lone.map(loneWords)).toEqual(['no terminal there: insulate it', 'stays empty', undefined]);
  expect(terminalsOf(lone)).toEqual(['new DF2', 'new 24V']);
});
