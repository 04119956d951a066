/** Any log at all folds, is assessed and reported without breaking, and refusals keep it lawful. */
import fc from 'fast-check';
import { attemptSheet as sheet, bodyOfStep, randomStep as step } from '../../test/random-steps';
import { logWriter, smallMeter } from '../../test/small-sheet';
import { buildReport } from '../report/report';
import { leftOpen } from './state/access';
import { refusalOf } from './admission/refusal-of';
import { assess } from '../diagnose/assess';
import type { EntryKind } from './kinds/index';
import { foldJob } from './fold/fold';
import { JobFold } from './fold/job-fold';
import { kindOf } from './kinds/index';
import { progressOf, TRAIL } from './trail/trail';
import { clocksOf } from './clocks/clocks';
import { dischargeOf } from '../conditions/discharge';
import { pairsOf } from '../conditions/pairs';

const logs = fc.array(fc.record({ step, minutes: fc.nat(4) }), { maxLength: 24 });

/** Writes the steps down; with `lawful`, only those that the rules let through. */
function written(
  steps: { step: { kind: string; body: object }; minutes: number }[],
  lawful: boolean,
) {
  const log = logWriter();
  // By either edition of the rules.
  const rules = steps.length % 2 === 1 ? { rules: 2 as const } : {};
  log.add('opened', { complaint: 'x', meter: smallMeter, ...rules });
  for (const { step: raw, minutes } of steps) {
    log.wait(minutes);
    const body = bodyOfStep(raw, log.entries);
    const entry = log.make(raw.kind as EntryKind, body as never);
    if (lawful && refusalOf(sheet, foldJob(sheet, log.entries), entry)) continue;
    log.add(raw.kind as EntryKind, body as never);
  }
  return log.entries;
}

test('whatever the log holds, everything shown of it can be computed', () => {
  fc.assert(
    fc.property(logs, (steps) => {
      const entries = written(steps, false);
      const state = foldJob(sheet, entries);
      const assessment = assess(sheet, state);
      const report = buildReport(sheet, state, assessment);
      expect(state.log).toHaveLength(entries.length);
      expect(report.rows).toHaveLength(state.taken.length);
      expect(progressOf(sheet, state)).toHaveLength(TRAIL.length);
      for (const clock of clocksOf(sheet, state)) expect(clock.endsAt).not.toBeNaN();
      for (const limit of pairsOf(sheet).flatMap((p) => dischargeOf(p, state.energy)?.limits ?? []))
        expect(limit.at).not.toBeNaN();
      const shares = [...assessment.suspects.map((s) => s.p), assessment.other.p];
      for (const p of shares) expect(p).toBeGreaterThanOrEqual(0);
      for (const p of shares) expect(p).toBeLessThanOrEqual(1 + 1e-9);
      expect(JSON.stringify(report)).not.toContain('NaN');
    }),
    { numRuns: 200 },
  );
});

test('a fold that goes on with one more entry is the fold of all of them, and the one before stays as it was', () => {
  fc.assert(
    fc.property(logs, fc.boolean(), (steps, lawful) => {
      const entries = written(steps, lawful);
      let fold = new JobFold(sheet, entries.slice(0, 1));
      entries.slice(1).forEach((entry, i) => {
        const before = { ...fold.state() };
        const next = fold.followedBy(entry);
        const anew = new JobFold(sheet, entries.slice(0, i + 2));
        if (next) expect({ ...next.state() }).toEqual({ ...anew.state() });
        else expect(kindOf(entry)?.withdraws?.(entry) ?? kindOf(entry)?.reshapes).toBeTruthy();
        expect(before).toEqual({ ...fold.state() });
        fold = next ?? anew;
      });
    }),
    { numRuns: 60 },
  );
});

test('in a lawful log no dead reading was ever taken outside a proof of dead', () => {
  fc.assert(
    fc.property(logs, (steps) => {
      const entries = written(steps, true);
      entries.forEach((entry, i) => {
        if (entry.kind !== 'reading') return;
        const { energy } = foldJob(sheet, entries.slice(0, i));
        if (entry.body.test === 'diode') expect(energy.kind).toBe('dead');
        else expect([energy.kind, energy.acknowledged]).toEqual(['live', true]);
      });
    }),
    { numRuns: 200 },
  );
});

test('in a lawful log no plug was touched live, no attempt made before its purge, no work live unlicensed', () => {
  fc.assert(
    fc.property(logs, (steps) => {
      const entries = written(steps, true);
      entries.forEach((entry, i) => {
        const before = foldJob(sheet, entries.slice(0, i));
        if (entry.kind === 'access' && entry.body.access === 'plug')
          expect(before.energy.kind).toBe('dead');
        if (entry.kind === 'window' && entry.body.state === 'burning')
          expect(before.attempts.get('burning')?.count ?? 0).toBeLessThan(2);
        if (entry.kind === 'energised') expect(before.licence?.body.held).not.toBe(false);
      });
    }),
    { numRuns: 200 },
  );
});

test('a lawful log that is signed was decided first, and ends there unless the signature went', () => {
  fc.assert(
    fc.property(logs, (steps) => {
      const state = foldJob(sheet, written(steps, true));
      if (state.signed) {
        expect(state.decision).toBeDefined();
        const { left } = state.signed.body;
        expect(left!.energy).toBe(state.energy.kind);
        expect(left!.open.length > 0 || leftOpen(sheet, state).length === 0).toBe(true);
      }
    }),
    { numRuns: 200 },
  );
});
