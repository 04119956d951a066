/** Benchmarks of the core, printed as JSON. Median of many runs, in milliseconds. */
import { answer, CoreError, FORMULAS, startValues } from '@jeitinho/core';
import {
  dictionaryFrom,
  drawsOf,
  hasBench,
  readDraw,
  readNetlist,
  solveCircuit,
} from '@jeitinho/core/bench';
import { assess, infer, type DiagnosticModel, type Evidence } from '@jeitinho/core/diagnose';
import { foldJob } from '@jeitinho/core/job';
import { judge, judgeTogether } from '@jeitinho/core/judge';
import { writeSheet, type Sheet } from '@jeitinho/core/sheet';
import fc from 'fast-check';
import { brokenNetlist, randomNetlist } from '../../core/test/random-netlist';
import { readSheetText } from '@jeitinho/core/validate';
import { demoWorld } from '@jeitinho/demo';

/** Small generator with a seed, so that every run measures the same models. */
function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

function randomModel(faults: number, tests: number, parts: number): DiagnosticModel {
  const roll = dice(7);
  const outcomes = ['ok', 'low', 'high', 'none'];
  return {
    faults: Array.from({ length: faults }, (_, f) => ({
      id: `f${f}`,
      part: `p${f % parts}`,
      prior: 1 + Math.floor(roll() * 9),
      shows: Object.fromEntries(
        Array.from({ length: 6 }, () => {
          const share = 0.3 + 0.7 * roll();
          const outcome = outcomes[1 + Math.floor(roll() * 3)]!;
          return [`t${Math.floor(roll() * tests)}`, { [outcome]: share, ok: 1 - share }];
        }),
      ),
    })),
    tests: Array.from({ length: tests }, (_, t) => ({ id: `t${t}`, outcomes })),
    parts: Array.from({ length: parts }, (_, p) => ({ id: `p${p}` })),
  };
}

function median(times: number[]): number {
  const sorted = [...times].sort((a, b) => a - b);
  return Number(sorted[Math.floor(sorted.length / 2)]!.toFixed(3));
}

function time(run: () => unknown, runs = 31, before = 5): number {
  for (let i = 0; i < before; i += 1) run();
  return median(
    Array.from({ length: runs }, () => {
      const started = performance.now();
      run();
      return performance.now() - started;
    }),
  );
}

const evidence: Evidence[] = Array.from({ length: 20 }, (_, t) => ({
  test: `t${t}`,
  outcome: 'ok',
}));
const medium = randomModel(60, 80, 10);
const large = randomModel(150, 200, 12);
const sheet = demoWorld.sheets[1]!;
const closed = demoWorld.jobs.find((job) => job.entries.length > 0)!;

/** A sheet of at least so many characters, out of one of the demo world many times over. */
function sheetOfSize(characters: number): string {
  const source = demoWorld.sheets[2]!;
  const grown = structuredClone(source) as Sheet;
  for (let n = 2, text = writeSheet(grown); ; n += 1, text = writeSheet(grown)) {
    if (text.length >= characters) return text;
    const name = (id: string) => `${id}-${n}`;
    grown.tests.push(
      ...source.tests.map((test) => ({
        ...structuredClone(test),
        id: name(test.id),
        ...(test.fedBy && { fedBy: test.fedBy.map((f) => f.replace(/^[^@]+/, name)) }),
      })),
    );
    grown.faults.push(
      ...source.faults.map(({ brings: _brings, ...fault }) => ({
        ...structuredClone(fault),
        id: name(fault.id),
        shows: Object.fromEntries(
          Object.entries(fault.shows).map(([key, shown]) => [key.replace(/^[^@]+/, name), shown]),
        ),
      })),
    );
  }
}
const large1MB = sheetOfSize(1_000_000);
if (!readSheetText(large1MB).ok) throw new Error('the large sheet must be a sound one');
const drops = ['U', 'V', 'W'].map((id, i) => {
  const expect = { kind: 'between' as const, low: 0.33, high: 0.62, unit: 'V' as const };
  const reading = { kind: 'value' as const, value: 0.44 + i / 100 };
  return {
    id,
    unit: 'V' as const,
    reading,
    judgement: judge({ expect, reading, meter: { percent: 1, absolute: 0.002 } }),
  };
});
const roll = dice(3);

/** A chain of sixty nodes with a diode to every third. */
const sixtyNodes = readNetlist(
  [
    'sixty nodes',
    '.model DX D(IS=2.5e-9 N=1.75 RS=0.6)',
    'V1 n0 0 24',
    ...Array.from({ length: 59 }, (_, i) => `R${i} n${i} n${i + 1} ${100 + 10 * (i % 7)}`),
    ...Array.from({ length: 59 }, (_, i) =>
      `Q${i} n${i + 1} 0 ${4700 + 100 * i}`.replace('Q', 'RP'),
    ),
    ...Array.from({ length: 20 }, (_, i) => `D${i} n${3 * i} n${3 * i + 2} DX`),
    '.op',
  ].join('\n'),
);

/** Seconds for a dictionary of so many readings, on one core; the page uses all it has. */
function dictionarySeconds(id: string, draws: number) {
  const of = demoWorld.sheets.find((each) => each.id === id)!;
  if (!hasBench(of)) throw new Error('a bench is expected');
  const started = performance.now();
  const results = drawsOf(of, draws).map((draw) => readDraw(of, draw, 1));
  dictionaryFrom(results, draws, 1);
  const readings = results.reduce(
    (sum, each) => sum + ('outcomes' in each ? Object.keys(each.outcomes).length : 0),
    0,
  );
  const seconds = (performance.now() - started) / 1000;
  return {
    readings,
    seconds: Number(seconds.toFixed(2)),
    'seconds for 28,800 readings on two cores': Number(
      ((seconds * 28_800) / readings / 2).toFixed(1),
    ),
  };
}

/** Four in five are sound in their words, the rest is not. None may crash, hang or give a NaN. */
function randomNetlists(count: number) {
  const texts = [
    ...fc.sample(randomNetlist, { numRuns: 0.8 * count, seed: 11 }),
    ...fc.sample(brokenNetlist, { numRuns: 0.2 * count, seed: 12 }),
  ];
  const found = { solved: 0, 'typed failures': 0, crashes: 0, 'not a number': 0 };
  let longest = 0;
  const started = performance.now();
  for (const text of texts) {
    const begun = performance.now();
    try {
      const solved = JSON.stringify(solveCircuit(readNetlist(text)), (_, value: unknown) =>
        typeof value === 'number' && !Number.isFinite(value) ? 'BAD' : value,
      );
      found[solved.includes('"BAD"') ? 'not a number' : 'solved'] += 1;
    } catch (error) {
      found[error instanceof CoreError ? 'typed failures' : 'crashes'] += 1;
    }
    longest = Math.max(longest, performance.now() - begun);
  }
  return {
    count: texts.length,
    ...found,
    seconds: Number(((performance.now() - started) / 1000).toFixed(1)),
    'longest, ms': Math.round(longest),
  };
}

/** A repair after every fifth finding, and the machine powered after each. */
const withWork = (found: readonly Evidence[]): Evidence[] =>
  found.flatMap((item, i) => {
    const fault = medium.faults[i];
    return i % 5 === 4 && i < 15 && fault
      ? [item, { done: { [fault.id]: 0.98 } }, { ran: true as const }]
      : [item];
  });

process.stdout.write(
  `${JSON.stringify(
    {
      unit: 'ms',
      'belief after 20 findings, 60 faults × 80 tests × 10 parts, K = 2': time(() =>
        infer(medium, evidence),
      ),
      'the same with three repairs between them': time(() => infer(medium, withWork(evidence))),
      'belief after 20 findings, 150 faults × 200 tests, K = 2': time(() => infer(large, evidence)),
      'judge 10,000 readings': time(() => {
        for (let i = 0; i < 10_000; i += 1)
          judge({
            expect: { kind: 'between', low: 0.35, high: 0.6, unit: 'V' },
            reading: { kind: 'value', value: roll() },
            meter: { percent: 1, absolute: 0.002 },
          });
      }),
      'read and check a sheet of 1 MB': time(() => readSheetText(large1MB), 7),
      'read and check the rooftop sheet': time(() =>
        readSheetText(writeSheet(demoWorld.sheets[2]!)),
      ),
      'judge 10,000 balances of three': time(() => {
        for (let i = 0; i < 10_000; i += 1)
          judgeTogether({ id: 'agree', kind: 'balance', spread: 0.04 }, drops);
      }, 11),
      'answer every formula of the Reckoner': time(() => {
        for (const formula of FORMULAS) answer(formula, startValues(formula));
      }),
      'operating point, 60 nodes with 20 diodes': time(() => solveCircuit(sixtyNodes), 101, 200),
      'random netlists': randomNetlists(10_000),
      dictionaries: Object.fromEntries(
        ['brumal-pc36', 'brisarel-ws09', 'panvale-do3', 'tarumbe-uf440i', 'norveda-nx3'].map(
          (id) => [id, dictionarySeconds(id, id === 'norveda-nx3' ? 2 : 6)],
        ),
      ),
      'fold and assess the closed demo job': time(() =>
        assess(sheet, foldJob(sheet, closed.entries)),
      ),
    },
    null,
    2,
  )}\n`,
);
