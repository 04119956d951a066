/** Steps of jobs at random: what a log may hold, lawful or not. */
import fc from 'fast-check';
import type { Sheet } from '../src/sheet/schema';
import { smallSheet } from './small-sheet';

/** The small machine with attempts that are counted. */
export const attemptSheet: Sheet = {
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

/** One step of a job, sensible or not; `nth` stands for the id of an earlier entry. */
export const randomStep = fc.oneof(
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
    kind: fc.constant('work'),
    body: fc.record({
      what: fc.constantFrom('fitted', 'put-back', 'cleaned', 'other'),
      part: fc.constantFrom('board', 'power', 'gone', undefined),
      trial: fc.constantFrom(true, undefined),
      note: fc.constantFrom('', 'swept'),
    }),
  }),
  fc.record({ kind: fc.constant('looked'), body: fc.record({ seen: fc.boolean() }) }),
  fc.record({
    kind: fc.constant('contradiction'),
    body: fc.record({ nth: fc.nat(20), as: fc.constantFrom('slip', 'comes-and-goes') }),
  }),
  fc.record({
    kind: fc.constant('decided'),
    body: fc.record({
      endings: fc.constantFrom(
        [{ kind: 'replace', part: 'board' }],
        [{ kind: 'sound' }],
        [{ kind: 'replace', part: 'gone' }, { kind: 'hand-over' }],
      ),
      leading: fc.constantFrom('board', null),
      probability: fc.constant(0.5),
      reason: fc.constantFrom('', 'because'),
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

/** The body of a random step in a log of these entries. */
export const bodyOfStep = (
  { body }: { readonly body: object },
  entries: readonly { readonly id: string }[],
): object =>
  'nth' in body
    ? { ...body, entry: entries[(body.nth as number) % entries.length]!.id, reason: 'so' }
    : body;
