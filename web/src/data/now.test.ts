import { localDay } from './now';

// The tests' own zone lies two hours behind Greenwich (jest.config.js).
test('the day is the one of the calendar here', () => {
  expect(localDay('2026-11-29T01:30:00Z')).toBe('2026-11-28');
  expect(localDay('2026-11-29T02:00:00Z')).toBe('2026-11-29');
});
