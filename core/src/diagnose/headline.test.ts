import type { EvidenceItem } from './suspects';
import { headlineOf } from './headline';

type Found = Parameters<typeof headlineOf>[0];

const reading = { from: { kind: 'taken' } } as EvidenceItem;
const code = { from: { kind: 'code', code: 'E1' } } as EvidenceItem;

/** Two parts, the board with the driver and the compressor with its winding. */
const found = (more: Partial<Found>, board = 0.7): Found =>
  ({
    accused: new Set<string>(),
    evidence: [code, reading],
    unexplained: false,
    suspects: [
      { fault: { id: 'driver' }, part: { id: 'board' } },
      { fault: { id: 'winding' }, part: { id: 'motor' } },
    ],
    parts: [
      { part: { id: 'board' }, p: board },
      { part: { id: 'motor' }, p: 0.1 },
    ],
    ...more,
  }) as unknown as Found;

test('a code alone is nothing measured', () => {
  expect(headlineOf(found({ evidence: [code] }))).toEqual({ kind: 'nothing-yet' });
  expect(headlineOf(found({ evidence: [] }))).toEqual({ kind: 'nothing-yet' });
});

test('findings that accuse nobody found nothing bad, whoever leads', () => {
  expect(headlineOf(found({}))).toMatchObject({ kind: 'nothing-bad', leads: { p: 0.7 } });
  expect(headlineOf(found({}, 0.4))).toEqual({ kind: 'nothing-bad' });
  // Not explained is said of something found, not of nothing.
  expect(headlineOf(found({ unexplained: true }))).toMatchObject({ kind: 'nothing-bad' });
});

test('who leads and is accused, and who leads while others are', () => {
  expect(headlineOf(found({ accused: new Set(['driver']) }))).toMatchObject({
    kind: 'accused',
    leads: { part: { id: 'board' } },
  });
  expect(headlineOf(found({ accused: new Set(['winding']) }))).toMatchObject({
    kind: 'elimination',
    leads: { part: { id: 'board' } },
  });
});

test('what was found and no fault of the sheet explains', () => {
  const headline = headlineOf(found({ accused: new Set(['driver']), unexplained: true }));
  expect(headline).toEqual({ kind: 'unexplained' });
});
