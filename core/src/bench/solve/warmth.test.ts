import { readNetlist } from '../spice/read';
import { System } from './system';
import { warmed } from './warmth';

/** A divider of an NTC under 5 V; `held` says what holds the node that stands for its warmth. */
const divider = (...held: readonly string[]) =>
  readNetlist(
    [
      'divider',
      'V1 v 0 5',
      'R1 v m 10k',
      'RT m 0 10k',
      '*@ ntc RT r25=10k beta=3435 temp=v(t)',
      ...held,
    ].join('\n'),
  );

const told = (circuit: ReturnType<typeof divider>) =>
  warmed(circuit.elements).flatMap((each) => (each.kind === 'ntc' ? [each.celsius] : []));

test('a level source holds the warmth: it is a figure', () => {
  expect(told(divider('VT t 0 25'))).toEqual([25]);
});

test('what swings, what is held over a resistor or not to ground is solved for', () => {
  const node = [{ node: 't' }];
  expect(told(divider('VT t 0 SIN(25 10 60)'))).toEqual(node);
  expect(told(divider('VT s 0 25', 'RS s t 1k', 'RG t 0 1meg'))).toEqual(node);
  expect(told(divider('VA a 0 5', 'VT t a 20'))).toEqual(node);
});

test('either way it reads the same: 10 kΩ below 10 kΩ at 25 °C, less when it is warmer', () => {
  const volts = (...held: readonly string[]) => {
    const system = new System(divider(...held));
    system.operatingPoint();
    return system.voltsAt('m');
  };
  expect(volts('VT t 0 25')).toBeCloseTo(2.5, 9);
  expect(volts('VT t 0 60')).toBeLessThan(1.3);
  expect(volts('VT t 0 60')).toBeCloseTo(volts('VA a 0 20', 'VT t a 40'), 9);
});
