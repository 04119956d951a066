/** Advice, the table of findings and plans on sheets and visits that leave little to reckon with. */
import { measured, provenDead, smallSheet, type LogWriter } from '../../test/small-sheet';
import { actionsOfSheet } from '../decide/of-sheet';
import { decide } from '../decide/plans';
import { infer } from '../diagnose/belief';
import { inFull } from '../diagnose/in-full';
import { knownOf } from '../diagnose/assess';
import type { DiagnosticModel } from '../diagnose/model';
import { foldJob } from '../job/fold/fold';
import type { Sheet } from '../sheet/schema';
import { advise } from './advise';
import { whatWouldChange } from './change-of-mind';
import { compareSuspects } from './compare';
import { USUAL_SHOP } from './prices';

const NOW = Date.parse('2026-03-02T12:00:00.000Z');
const oneFault: Sheet = {
  ...smallSheet,
  codes: { schemes: [], list: [{ code: 'E1', title: 'No output', suspects: { driver: 0.5 } }] },
  faults: [{ id: 'driver', name: 'Driver dead', part: 'board', prior: 1, shows: { out: 'none' } }],
};
const folded = (log: LogWriter, sheet: Sheet) => foldJob(sheet, log.entries);

test('a sheet with one fault: it or nothing or something else, and all of it can be asked', () => {
  const log = provenDead(undefined, 2);
  log.add('code', { shown: 'E1' });
  const state = folded(log, oneFault);
  const { suspects, rows } = inFull(oneFault, state);
  expect(suspects).toHaveLength(3);
  expect(suspects.reduce((sum, { p }) => sum + p, 0)).toBeCloseTo(1, 9);
  expect(rows).toHaveLength(1);
  expect(advise(oneFault, state, NOW).tests.length).toBeGreaterThan(0);
  expect(Array.isArray(whatWouldChange(oneFault, state))).toBe(true);
  const { best } = decide(knownOf(oneFault, state).inference, actionsOfSheet(oneFault), USUAL_SHOP);
  expect(best.cost).toBeGreaterThan(0);
});

test('every reading void: nothing is evidence, and the advice is to take them as they should be', () => {
  const log = provenDead(undefined, 2);
  log.add('energised', { precautions: true });
  // Its feeder was never taken: 0 V there says nothing.
  log.add('reading', { ...measured('out', '12', 0), contact: true });
  const state = folded(log, smallSheet);
  expect(inFull(smallSheet, state).rows).toEqual([]);
  expect(advise(smallSheet, state, NOW).tests.map(({ test }) => test.id)).toContain('rail');
});

test('findings that contradict each other are each weighed, and nothing breaks', () => {
  const log = provenDead(undefined, 2);
  log.add('code', { shown: 'E1' });
  log.add('energised', { precautions: true });
  for (let i = 0; i < 2; i += 1)
    log.add('reading', { ...measured('rail', '12', 0.1), contact: true });
  log.add('reading', measured('rail', '12', 5));
  log.add('reading', measured('out', '12', 12));
  const state = folded(log, smallSheet);
  const { suspects, rows } = inFull(smallSheet, state);
  expect(rows.length).toBeGreaterThan(1);
  for (const { p } of suspects) expect(p).toBeGreaterThanOrEqual(0);
  const [supply, driver] = ['supply', 'driver'].map((id) =>
    smallSheet.faults.find((fault) => fault.id === id)!,
  );
  expect(compareSuspects(smallSheet, state, [supply!, driver!], NOW).odds).toBeGreaterThan(0);
});

test('a hundred and fifty faults and two hundred tests: belief and plans come', () => {
  const model: DiagnosticModel = {
    faults: Array.from({ length: 150 }, (_, f) => ({
      id: `f${f}`,
      part: `p${f % 12}`,
      prior: 1 + (f % 7),
      shows: { [`t${(f * 7) % 200}`]: 'low', [`t${(f * 13) % 200}`]: { low: 0.6, ok: 0.4 } },
    })),
    parts: Array.from({ length: 12 }, (_, p) => ({ id: `p${p}` })),
    tests: Array.from({ length: 200 }, (_, t) => ({
      id: `t${t}`,
      outcomes: ['ok', 'low', 'none'],
    })),
  };
  const { belief } = infer(model, [{ test: 't7', outcome: 'low' }]);
  expect(belief.faults.f1).toBeGreaterThan(0.1);
  const sum = belief.posterior.reduce((all, p) => all + p, 0);
  expect(sum).toBeCloseTo(1, 9);
});
