/** Whether a board is worth soldering: found, alone, cheap; another fault that nothing mends means stop. */
import { smallSheet } from '../../test/small-sheet';
import type { Repair, Sheet } from '../sheet/schema';
import { triageOf } from './triage';

const repair: Repair = { id: 'caps', fixes: ['supply'], price: 12, minutes: 40, success: 0.8 };
const sheet: Sheet = { ...smallSheet, repairs: [repair] };
const of = (supply: number, driver: number, whole: number | undefined = 400, one = repair) =>
  triageOf(
    sheet,
    one,
    sheet.faults.map((fault) => ({
      fault,
      now: fault.id === 'supply' ? supply : fault.id === 'driver' ? driver : 0,
    })),
    { whole, rate: 90 },
  );

test('found, alone and at 18 % of a new one it is worth an iron', () => {
  const found = of(0.9, 0.05)!;
  expect(found.verdict).toBe('worth-it');
  expect(found.lines.map(({ words }) => words)).toEqual([
    'The fault is found.',
    'Nothing else on this part is suspected.',
    'Cheap: 18 % of a new one.',
  ]);
});
test('not found, or dear beside a new one, it is doubtful', () => {
  expect(of(0.5, 0.05)!.verdict).toBe('doubtful');
  expect(of(0.9, 0.05, 100)!.verdict).toBe('doubtful');
  expect(of(0.9, 0.05, undefined)!.verdict).toBe('worth-it');
});
test('a fault beside it that no repair mends means stop; one that a repair mends does not', () => {
  expect(of(0.9, 0.3)).toMatchObject({ verdict: 'stop' });
  const both: Sheet = { ...sheet, repairs: [repair, { ...repair, id: 'drv', fixes: ['driver'] }] };
  const suspects = both.faults.map((fault) => ({ fault, now: 0.3 }));
  expect(triageOf(both, repair, suspects, { whole: 400, rate: 90 })!.verdict).toBe('doubtful');
});
test('what is cleaned or reseated is no soldering, and a joint is on no board', () => {
  expect(of(0.9, 0, 400, { ...repair, what: 'cleaned' })).toBeUndefined();
  expect(of(0.9, 0, 400, { ...repair, fixes: ['nowhere'] })).toBeUndefined();
});
