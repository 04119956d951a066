import fc from 'fast-check';
import { ImpossibleEvidenceError, InvalidInputError, UnknownReferenceError } from '../errors';
import { smallSheet } from '../../test/small-sheet';
import { accusedBy } from './accused';
import { infer } from './belief';
import { hypothesesOf } from './hypotheses';
import { restsOf } from './intermittence';
import { logLikelihoods, outcomesSpoken } from './likelihood';
import type { Evidence } from './evidence';
import { modelOf, type DiagnosticModel } from './model';
import { spaceFor } from './space';
import { leaveOneOut, strengthOf, surpriseIn } from './weights';

/** Two faults on two parts, one test: small enough for pencil and paper. */
const two: DiagnosticModel = {
  faults: [
    { id: 'a', part: 'A', prior: 1, shows: { t: 'low' } },
    { id: 'b', part: 'B', prior: 1, shows: {} },
  ],
  tests: [{ id: 't', outcomes: ['ok', 'low'] }],
  parts: [{ id: 'A' }, { id: 'B' }],
};

test('two faults worked by hand', () => {
  // p = 0.05 each; weights {a} = {b} = 0.05·0.95, {ab} = 0.05²: they share 0.92.
  const weights = [0.05 * 0.95, 0.05 * 0.95, 0.05 * 0.05];
  const total = weights[0]! + weights[1]! + weights[2]!;
  const prior = weights.map((w) => (0.92 * w) / total);
  expect(hypothesesOf(two).map((h) => h.prior)).toEqual([
    expect.closeTo(prior[0]!, 12),
    expect.closeTo(prior[2]!, 12),
    expect.closeTo(prior[1]!, 12),
    0.05,
    0.03,
  ]);
  // P(low): with a 0.98 + 0.01, without 0.01, so for Z; N disturbs half of one test: 0.98·0.5 + 0.01.
  const joint = {
    a: prior[0]! * 0.99,
    ab: prior[2]! * 0.99,
    b: prior[1]! * 0.01,
    z: 0.05 * 0.01,
    n: 0.03 * 0.5,
  };
  const sum = joint.a + joint.ab + joint.b + joint.z + joint.n;
  const inference = infer(two, [{ test: 't', outcome: 'low' }]);
  const { belief } = inference;
  expect(belief.faults.a).toBeCloseTo((joint.a + joint.ab) / sum, 12);
  expect(belief.faults.b).toBeCloseTo((joint.b + joint.ab) / sum, 12);
  // With nothing left, whatever is replaced: it works.
  expect(belief.fixed.A).toBeCloseTo((joint.a + joint.z) / sum, 12);
  expect(belief.sound).toBeCloseTo(joint.z / sum, 12);
  expect(belief.other).toBeCloseTo(joint.n / sum, 12);
  expect(accusedBy(inference)).toEqual(['a']);
});

describe('work changes the machine', () => {
  const low: Evidence = { test: 't', outcome: 'low' };
  const ok: Evidence = { test: 't', outcome: 'ok' };

  test('a part that mends: it was there, and is not any more', () => {
    const { belief } = infer(two, [low, { done: { a: 0.98 } }, ok]);
    expect(belief.faults.a).toBeGreaterThan(0.9);
    expect(belief.now.a).toBeLessThan(0.01);
    expect(belief.sound).toBeGreaterThan(0.9);
  });

  test('a part that does not help: what is left is something else, and the old part may go in again', () => {
    const swapped: Evidence[] = [low, { done: { a: 0.98 } }, low];
    const { belief } = infer(two, swapped);
    expect(belief.now.a).toBeGreaterThan(infer(two, [low, { done: { a: 0.98 } }]).belief.now.a!);
    const back = infer(two, [...swapped, { back: ['a'] }]).belief;
    expect(back.now.a).toBeCloseTo(back.faults.a!, 12);
  });

  test('powered again, what is left may bring back what was mended', () => {
    const chained: DiagnosticModel = {
      ...two,
      faults: [two.faults[0]!, { ...two.faults[1]!, brings: { a: 0.8 } }],
    };
    const mended: Evidence[] = [low, { done: { a: 1 } }];
    expect(infer(chained, mended).belief.now.a).toBeCloseTo(0, 12);
    const { belief } = infer(chained, [...mended, { ran: true }]);
    expect(belief.now.a).toBeCloseTo(0.8 * bothOnArrival(chained, mended), 9);
  });

  const bothOnArrival = (model: DiagnosticModel, evidence: readonly Evidence[]) => {
    const { hypotheses, posterior } = infer(model, evidence).belief;
    return posterior[hypotheses.findIndex(({ faults }) => faults.length === 2)]!;
  };

  test('work on a fault that is not there is named', () => {
    expect(() => infer(two, [{ done: { x: 1 } }])).toThrow(UnknownReferenceError);
  });
});

describe('what comes and goes', () => {
  const low: Evidence = { test: 't', outcome: 'low' };
  const ok: Evidence = { test: 't', outcome: 'ok' };

  test('good and bad between two works: intermittent, not healed', () => {
    const { belief } = infer(two, [low, low, low, ok]);
    expect(belief.faults.a).toBeGreaterThan(0.9);
  });

  test('work between them: mended', () => {
    const { belief } = infer(two, [low, { done: { a: 0.98 } }, ok]);
    expect(belief.now.a).toBeLessThan(0.01);
  });

  test('a fault at rest half the time is worth less against one good reading', () => {
    const resting = { ...two, faults: [{ ...two.faults[0]!, intermittent: 0.5 }, two.faults[1]!] };
    expect(infer(resting, [ok]).belief.faults.a).toBeGreaterThan(
      10 * infer(two, [ok]).belief.faults.a!,
    );
  });
});

test('a reading repeated with the leads lifted is worth more than one', () => {
  const once = infer(two, [{ test: 't', outcome: 'ok' }]).belief.faults.a!;
  const thrice = infer(two, [{ test: 't', outcome: 'ok', again: 2 }]).belief.faults.a!;
  // ε from 0.02 to 0.02·0.2².
  expect(once / thrice).toBeGreaterThan(20);
});

test('of faults that exclude each other there is never a pair, and none brings the other', () => {
  const faults = two.faults.map((fault) => ({ ...fault, oneOf: 'leg' }));
  expect(hypothesesOf({ ...two, faults }).filter((h) => h.faults.length === 2)).toEqual([]);
  const bad = { ...two, faults: [{ ...faults[0]!, brings: { b: 0.5 } }, faults[1]!] };
  expect(() => infer(bad, [])).toThrow(/cannot both be there/);
});

test('the complaint not seen speaks for nothing wrong; seen, for something', () => {
  const { sound } = infer(two, []).belief;
  expect(infer(two, [{ confirmed: false }]).belief.sound).toBeGreaterThan(sound * 5);
  expect(infer(two, [{ confirmed: true }]).belief.sound).toBeLessThan(sound / 10);
});

test('codes and symptoms suggest and do not accuse', () => {
  const model = {
    ...two,
    codes: [{ code: 'E1', suspects: { a: 0.9 } }],
    symptoms: [{ id: 'hum', suspects: { a: 0.9 } }],
  };
  for (const finding of [{ code: 'E1' }, { symptom: 'hum' }] as const) {
    const inference = infer(model, [finding]);
    expect(inference.belief.faults.a).toBeGreaterThan(infer(model, []).belief.faults.a!);
    expect(accusedBy(inference)).toEqual([]);
  }
  expect(() => infer(model, [{ symptom: 'smell' }])).toThrow(UnknownReferenceError);
});

test('a chain raises what it brings', () => {
  const chained: DiagnosticModel = {
    ...two,
    faults: [{ ...two.faults[0]!, brings: { b: 0.8 } }, two.faults[1]!],
  };
  const evidence: Evidence[] = [{ test: 't', outcome: 'low' }];
  expect(infer(chained, evidence).belief.faults.b).toBeGreaterThan(
    infer(two, evidence).belief.faults.b! + 0.1,
  );
});

test('a judged reading enters with its whole distribution', () => {
  const sure = infer(two, [{ test: 't', p: { ok: 0, low: 1 } }]).belief.faults.a!;
  const unsure = infer(two, [{ test: 't', p: { ok: 0.5, low: 0.5 } }]).belief.faults.a!;
  expect(sure).toBeCloseTo(infer(two, [{ test: 't', outcome: 'low' }]).belief.faults.a!, 12);
  // Half and half says the same whatever the fault: belief stays at its prior.
  expect(unsure).toBeCloseTo(infer(two, []).belief.faults.a!, 12);
});

test('bad references and bad numbers are named with their path', () => {
  expect(() => infer(two, [{ test: 'x', outcome: 'low' }])).toThrow(UnknownReferenceError);
  expect(() => infer(two, [{ test: 't', outcome: 'blue' }])).toThrow(UnknownReferenceError);
  expect(() => infer(two, [{ code: 'E9' }])).toThrow(UnknownReferenceError);
  expect(() => infer({ ...two, faults: [] }, [])).toThrow(InvalidInputError);
  const bad = { ...two, faults: [{ ...two.faults[0]!, prior: 0 }] };
  expect(() => infer(bad, [])).toThrow(expect.objectContaining({ path: '/faults/0/prior' }));
});

test('evidence that no hypothesis allows is an error, not a NaN', () => {
  const model = { ...two, codes: [{ code: 'E1', suspects: {}, other: 0 }] };
  expect(() => infer(model, [{ code: 'E1' }])).toThrow(ImpossibleEvidenceError);
});

/** Random small models with evidence, for the properties below. */
const cases = fc
  .record({
    faults: fc.array(
      fc.record({
        part: fc.nat(2),
        prior: fc.integer({ min: 1, max: 9 }),
        low: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 4, maxLength: 4 }),
      }),
      { minLength: 1, maxLength: 6 },
    ),
    seen: fc.array(fc.record({ test: fc.nat(3), outcome: fc.constantFrom('ok', 'low', 'high') }), {
      maxLength: 6,
    }),
  })
  .map(({ faults, seen }) => ({
    model: {
      faults: faults.map((fault, i) => ({
        id: `f${i}`,
        part: `p${fault.part}`,
        prior: fault.prior,
        shows: Object.fromEntries(fault.low.map((low, t) => [`t${t}`, { ok: 1 - low, low }])),
      })),
      tests: [0, 1, 2, 3].map((t) => ({ id: `t${t}`, outcomes: ['ok', 'low', 'high'] })),
      parts: [{ id: 'p0' }, { id: 'p1' }, { id: 'p2' }],
    } satisfies DiagnosticModel,
    evidence: seen.map(({ test: t, outcome }) => ({ test: `t${t}`, outcome })),
  }));

describe('properties', () => {
  test('the posterior sums to 1, and the order of the evidence does not matter', () => {
    fc.assert(
      fc.property(cases, ({ model, evidence }) => {
        const { belief } = infer(model, evidence);
        expect(belief.posterior.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 10);
        const reversed = infer(model, [...evidence].reverse()).belief;
        for (const [id, p] of Object.entries(belief.faults))
          expect(reversed.faults[id]).toBeCloseTo(p, 9);
      }),
    );
  });

  test('mending a part alone is never likelier than that it is faulty', () => {
    fc.assert(
      fc.property(cases, ({ model, evidence }) => {
        const { belief } = infer(model, evidence);
        for (const [id, p] of Object.entries(belief.parts))
          expect(belief.fixed[id]).toBeLessThanOrEqual(p + belief.sound + 1e-12);
      }),
    );
  });

  test('agrees with plain multiplication over every hypothesis', () => {
    fc.assert(
      fc.property(cases, ({ model, evidence }) => {
        // The slow way: products, no logarithms, likelihoods written out again.
        const hypotheses = hypothesesOf(model);
        const rests = restsOf(model, evidence);
        const weights = hypotheses.map(({ kind, faults, prior }) =>
          evidence.reduce((product, { test: t, outcome }) => {
            let p: number;
            if (kind === 'other') p = outcome === 'ok' ? 0.5 : 0.25;
            else {
              const shown = (f: number) => (1 - rests[f]!) * model.faults[f]!.shows[t]!.low!;
              const ok = faults.reduce((q, f) => q * (1 - shown(f)), 1);
              const low = faults.reduce((q, f) => q + shown(f), 0);
              p = outcome === 'ok' ? ok : outcome === 'low' && low > 0 ? 1 - ok : 0;
            }
            return product * (0.98 * p + 0.02 / 3);
          }, prior),
        );
        const total = weights.reduce((sum, w) => sum + w, 0);
        const { belief } = infer(model, evidence);
        weights.forEach((w, h) => expect(belief.posterior[h]).toBeCloseTo(w / total, 9));
      }),
    );
  });
});

describe('weights and surprise', () => {
  test('words for Bayes factors, the same either way', () => {
    expect([1, 1.2, 1.3, 4, 12].map(strengthOf)).toEqual([
      'nothing',
      'nothing',
      'slightly',
      'clearly',
      'strongly',
    ]);
    expect(strengthOf(1 / 12)).toBe('strongly');
    expect(strengthOf(NaN)).toBe('nothing');
  });

  test('the reading that shows a fault weighs for it and against the others', () => {
    const { faults } = leaveOneOut(infer(two, [{ test: 't', outcome: 'low' }]));
    expect(faults.a![0]).toMatchObject({ direction: 'for', strength: 'strongly' });
    expect(faults.b![0]!.direction).toBe('against');
  });

  test('a reading that quarrels with all the rest is named, a harmonious one is not', () => {
    const model: DiagnosticModel = {
      faults: [
        { id: 'a', part: 'A', prior: 1, shows: { t: 'low', v: 'low', w: 'low' } },
        { id: 'b', part: 'B', prior: 1, shows: { x: 'low' } },
      ],
      tests: ['t', 'v', 'w', 'x'].map((id) => ({ id, outcomes: ['ok', 'low'] })),
      parts: two.parts,
    };
    const harmony: Evidence[] = ['t', 'v'].map((id) => ({ test: id, outcome: 'low' }));
    expect(surpriseIn(infer(model, harmony))).toBeUndefined();
    const quarrel = infer(model, [...harmony, { test: 'w', outcome: 'ok' }]);
    expect(surpriseIn(quarrel)?.evidence).toBe(2);
    expect(surpriseIn(infer(two, [{ test: 't', outcome: 'low' }]))).toBeUndefined();
  });
});

test('a sheet becomes a model whose observables carry the shows of whole tests and of points', () => {
  const model = modelOf(smallSheet);
  expect(model.tests.map((t) => t.id)).toEqual(['diode@U', 'diode@V', 'looks', 'rail', 'out']);
  expect(model.faults[2]!.shows).toEqual({ 'diode@U': 'short', looks: { burnt: 0.5, ok: 0.5 } });
});

test('all outcomes of a test at once are what each of them is by itself, and sum to one', () => {
  const model: DiagnosticModel = {
    faults: [
      { id: 'a', part: 'A', prior: 3, shows: { t: { low: 0.6, high: 0.3, ok: 0.1 } } },
      { id: 'b', part: 'A', prior: 1, shows: { t: 'low' }, intermittent: 0.4 },
      { id: 'c', part: 'A', prior: 1, shows: {} },
    ],
    tests: [
      { id: 't', outcomes: ['low', 'ok', 'high'], noise: 0.05 },
      { id: 'u', outcomes: ['ok', 'low'] },
    ],
    parts: [{ id: 'A' }],
  };
  const space = spaceFor(model, 2);
  const rests = restsOf(model, []);
  const all = outcomesSpoken(space, 't', rests);
  const dense = all.map(({ silent, at, p }) => {
    const each = new Float64Array(space.hypotheses.length).fill(silent);
    at.forEach((h, i) => (each[h] = p[i]!));
    return each;
  });
  ['ok', 'low', 'high'].forEach((outcome, o) => {
    const alone = logLikelihoods(space, { test: 't', outcome }, rests);
    alone.forEach((log, h) => expect(dense[o]![h]).toBeCloseTo(Math.exp(log), 12));
  });
  space.hypotheses.forEach((_, h) =>
    expect(dense.reduce((sum, each) => sum + each[h]!, 0)).toBeCloseTo(1, 12),
  );
});
