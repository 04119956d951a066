/** Terminals of a new board, and wires that share one. */
import { sharedIn, terminalsOf, type Wire } from './wire-map';

const wires: Wire[] = [
  { from: 'old R', to: 'new 24V', wire: 'red' },
  { from: 'old C', to: 'new COM' },
  { from: 'old B', to: 'new COM' },
];

test('each terminal once, in the order in which it comes; shared ones are named', () => {
  expect(terminalsOf(wires)).toEqual(['new 24V', 'new COM']);
  expect([...sharedIn(wires.map(({ to }) => to))]).toEqual(['new COM']);
  expect(sharedIn([]).size).toBe(0);
});
