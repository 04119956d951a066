import { licenceFor } from './roles';

const held = [
  { name: 'Gas work', until: '2026-03-31' },
  { name: 'gas work', until: '2028-03-31' },
  { name: 'Fixed wiring', until: null },
];

test('a licence is found in the line that asks for it; of several the one that is good longest', () => {
  expect(licenceFor('Gas work: licensed gas technician only.', held)?.until).toBe('2028-03-31');
  expect(licenceFor('Fixed wiring: licensed electrician.', held)?.until).toBeNull();
  expect(licenceFor('Refrigerant circuit: licensed technicians only.', held)).toBeUndefined();
  expect(licenceFor('Gas work', [])).toBeUndefined();
});
