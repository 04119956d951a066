/** Any log at all folds, is assessed and reported without breaking, and refusals keep it lawful. */
import fc from 'fast-check';
import { logWriter, smallMeter, smallSheet } from '../../test/small-sheet';
import { buildReport } from '../report/report';
import { leftOpen } from './access';
import { refusalOf } from './admit';
import { assess } from './assess';
import type { EntryKind } from './entries';
import { foldJob } from './fold';
import { progressOf } from './progress';
import { clocksOf } from './clocks';
import { dischargeOf } from '../conditions/discharge';
import { pairsOf } from '../conditions/pairs';
import type { Sheet } from '../sheet/schema';

/** The small machine with attempts that are counted. */
const sheet: Sheet = {
  ...smallSheet,
  states: [
    ...smallSheet.states,
    { id: 'burning', energy: 'live', lasts: 40, beat: 9, attempts: { most: 2, purge: 90 } },
  ],
};

const figure = fc.oneof(
  fc.record({
    kind: fc.constant('value' as const),
    value: fc.double({ min: -1e6, max: 1e6, noNaN: true }),
  }),
  fc.constant({ kind: 'overload' as const }),
);

const step = fc.oneof(
  fc.record({
    kind: fc.constant('code'),
    body: fc.record({ shown: fc.constantFrom('E1', 'X9', null) }),
  }),
  fc.record({
    kind: fc.constant('safed'),
    body: fc.record({
      step: fc.constantFrom('isolated', 'meter', 'pair', 'meter-proved', 'bus', 'meter-reproved'),
      pair: fc.constantFrom('bus', 'nowhere'),
      function: fc.constantFrom('V=', 'V~'),
      source: fc.constantFrom({ kind: 'battery' }, { kind: 'proving-unit', volts: 240 }),
      reading: fc.oneof(figure, fc.constantFrom({ kind: 'value', value: 9 })),
      typed: fc.constant(''),
    }),
  }),
  fc.record({
    kind: fc.constant('volts-seen'),
    body: fc.record({ function: fc.constantFrom('V=', 'V~'), reading: figure }),
  }),
  fc.record({ kind: fc.constant('energised'), body: fc.constant({ precautions: true }) }),
  fc.record({ kind: fc.constant('lead'), body: fc.constant({ value: 0.3, half: 0.2 }) }),
  fc.record({
    kind: fc.constant('reading'),
    body: fc.record({
      test: fc.constantFrom('diode', 'rail', 'out', 'looks', 'nowhere'),
      point: fc.constantFrom('U', 'V', '12'),
      function: fc.constantFrom('diode', 'V=', 'ohm'),
      reading: figure,
      typed: fc.constant(''),
    }),
  }),
  fc.record({
    kind: fc.constant('answer'),
    body: fc.record({
      test: fc.constantFrom('looks', 'rail'),
      answer: fc.constantFrom('clean', 'burnt', '?'),
    }),
  }),
  fc.record({
    kind: fc.constant('skipped'),
    body: fc.record({
      test: fc.constantFrom('diode', 'out', 'nowhere'),
      reason: fc.constant('dark'),
    }),
  }),
  fc.record({
    kind: fc.constant('decision'),
    body: fc.record({
      action: fc.constantFrom('replace', 'hand-over'),
      part: fc.constantFrom('board', 'gone', null),
      leading: fc.constant('board'),
      probability: fc.constant(0.5),
      reason: fc.constantFrom('', 'because'),
    }),
  }),
  fc.record({
    kind: fc.constant('signed'),
    body: fc.record({
      technician: fc.constant('Ana'),
      customer: fc.constant(''),
      note: fc.constant(''),
      left: fc.record({
        energy: fc.constantFrom('live', 'not-proven', 'dead'),
        note: fc.constant(''),
        open: fc.constantFrom(
          [],
          [
            { access: 'lid', reason: 'part comes tomorrow' },
            { access: 'plug', reason: 'part comes tomorrow' },
          ],
        ),
      }),
    }),
  }),
  fc.record({ kind: fc.constant('withdrawn'), body: fc.record({ nth: fc.nat(20) }) }),
  fc.record({
    kind: fc.constantFrom('contact', 'voided', 'overruled'),
    body: fc.record({
      nth: fc.nat(20),
      how: fc.constantFrom('leads-touched', 'known-source'),
      as: fc.constantFrom('good', 'bad'),
    }),
  }),
  fc.record({
    kind: fc.constant('access'),
    body: fc.record({
      access: fc.constantFrom('lid', 'plug', 'nothing'),
      back: fc.constantFrom(true, undefined),
    }),
  }),
  fc.record({
    kind: fc.constantFrom('window', 'purged'),
    body: fc.record({ state: fc.constantFrom('burning', 'standby', 'nowhere') }),
  }),
  fc.record({
    kind: fc.constant('clock'),
    body: fc.record({
      name: fc.constant('Soak'),
      seconds: fc.integer({ min: 1, max: 900 }),
      meanwhile: fc.constant(''),
    }),
  }),
  fc.record({
    kind: fc.constant('clock-set'),
    body: fc.record({ seconds: fc.integer({ min: -7200, max: 7200 }) }),
  }),
  fc.record({
    kind: fc.constant('licence'),
    body: fc.record({ held: fc.boolean(), who: fc.constant('') }),
  }),
);

const logs = fc.array(fc.record({ step, minutes: fc.nat(4) }), { maxLength: 24 });

/** Writes the steps down; with `lawful`, only those that the rules let through. */
function written(
  steps: { step: { kind: string; body: object }; minutes: number }[],
  lawful: boolean,
) {
  const log = logWriter();
  log.add('opened', { complaint: 'x', meter: smallMeter });
  for (const { step: raw, minutes } of steps) {
    log.wait(minutes);
    const body =
      'nth' in raw.body
        ? {
            ...raw.body,
            entry: log.entries[(raw.body.nth as number) % log.entries.length]!.id,
            reason: 'so',
          }
        : raw.body;
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
      expect(progressOf(sheet, state)).toHaveLength(6);
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
