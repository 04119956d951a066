import { KnownSessions } from './known-sessions';

const person = { name: 'Davi Moura' } as never;

test('somebody is known for a second, and until anybody acts', () => {
  const known = new KnownSessions();
  known.set('a', person, 1000);
  expect(known.get('a', 1999)).toBe(person);
  expect(known.get('a', 2000)).toBeUndefined();
  expect(known.get('a', 1000 - 3_600_000)).toBeUndefined();
  known.forget();
  expect(known.get('a', 1000)).toBeUndefined();
});

test('it holds some thousands, whoever asks', () => {
  const known = new KnownSessions();
  for (let i = 0; i < 5000; i += 1) known.set(String(i), person, 0);
  expect(known.get('0', 0)).toBeUndefined();
  expect(known.get('4999', 0)).toBe(person);
});
