import type { PersonResource, Role } from '@jeitinho/core';
import { mayWrite } from './own-visit';

const person = (...roles: Role[]): PersonResource => ({
  ...{ id: 'p', name: 'Rute Sabiá', roles, licences: [] },
  ...{ formerly: ['Rute Reis'], removedAt: null },
});
const visit = (technician: string | null, from?: string) => ({
  technician,
  handed: from === undefined ? null : { from, to: technician!, at: '', note: '', owed: [] },
});

test.each([
  ['nobody’s', visit(null), true],
  ['her own', visit('Rute Sabiá'), true],
  ['under her old name', visit('Rute Reis'), true],
  ['handed on by her', visit('Davi Moura', 'Rute Sabiá'), true],
  ['another’s', visit('Davi Moura'), false],
])('a technician and a visit that is %s', (_, job, may) => {
  expect(mayWrite(job, person('technician'), [])).toBe(may);
});

test('what she wrote in stays hers to write in; a lead writes anywhere, the office nowhere', () => {
  expect(mayWrite(visit('Davi Moura'), person('technician'), ['Rute Reis'])).toBe(true);
  expect(mayWrite(visit('Davi Moura'), person('lead'), [])).toBe(true);
  expect(mayWrite(visit(null), person('office'), [])).toBe(false);
  // Nobody signed in here yet, as in an earlier version: the server has the word.
  expect(mayWrite(visit(null), undefined, [])).toBe(false);
});
