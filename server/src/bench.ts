/** Benchmarks of the core, printed as JSON. Median of many runs, in milliseconds. */
import { answer, CoreError, FORMULAS, startValues } from '@jeitinho/core';
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  type BenchedSheet,
  dictionaryFrom,
  drawsOf,
  everySpecimen,
  hasBench,
  HEALTHY,
  NetlistError,
  readDraw,
  readNetlist,
  solveCircuit,
  sweep,
} from '@jeitinho/core/bench';
import {
  assess,
  infer,
  nextTests,
  USUAL_RATES,
  type DiagnosticModel,
  type Evidence,
} from '@jeitinho/core/diagnose';
import { foldJob } from '@jeitinho/core/job';
import { judge, judgeTogether } from '@jeitinho/core/judge';
import {
  codeFinder,
  facetsOf,
  machinesOf,
  plainSheet,
  writeSheet,
  type Sheet,
} from '@jeitinho/core/sheet';
import fc from 'fast-check';
import { System } from '../../core/src/bench/solve/system';
import { mutated } from '../../core/test/mutated-netlist';
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
const sheet = plainSheet(demoWorld.sheets[1]!);
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
const sixtyText = [
  'sixty nodes',
  '.model DX D(IS=2.5e-9 N=1.75 RS=0.6)',
  'V1 n0 0 24',
  ...Array.from({ length: 59 }, (_, i) => `R${i} n${i} n${i + 1} ${100 + 10 * (i % 7)}`),
  ...Array.from({ length: 59 }, (_, i) => `Q${i} n${i + 1} 0 ${4700 + 100 * i}`.replace('Q', 'RP')),
  ...Array.from({ length: 20 }, (_, i) => `D${i} n${3 * i} n${3 * i + 2} DX`),
  '.op',
].join('\n');
const sixtyNodes = readNetlist(sixtyText);
const sixtySystem = new System(sixtyNodes);
const square = readNetlist(squareNetlist(25));
const squareSystem = new System(square);

/** Machines that the page draws for each fault. */
const DRAWS = 24;

/** Seconds for a dictionary of so many draws, on one core; the page uses all it has. */
function dictionarySeconds(of: BenchedSheet, draws: number) {
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
    'seconds for its own dictionary on two cores': Number(
      ((seconds * DRAWS) / draws / 2).toFixed(1),
    ),
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

/** Sound netlists with a slip of the pen or three: typed failures only, and none for long. */
function mutatedNetlists(count: number) {
  const folder = join(import.meta.dirname, '../../core/test/netlists');
  const texts = readdirSync(folder).map((name) => readFileSync(join(folder, name), 'utf8'));
  const found = { solved: 0, 'typed failures': 0, 'without a line': 0, 'untyped errors': 0 };
  let over = 0;
  let longest = 0;
  for (let seed = 1; seed <= count; seed += 1) {
    const text = mutated(texts[seed % texts.length]!, seed);
    const begun = performance.now();
    try {
      solveCircuit(readNetlist(text));
      found.solved += 1;
    } catch (error) {
      found[error instanceof CoreError ? 'typed failures' : 'untyped errors'] += 1;
      if (error instanceof NetlistError && error.line === undefined) found['without a line'] += 1;
    }
    const took = performance.now() - begun;
    if (took > 3000) over += 1;
    longest = Math.max(longest, took);
  }
  return { count, ...found, 'over 3 s': over, 'longest, ms': Math.round(longest) };
}

/** Every placement of every test of every demo machine, in every state that it can be in. */
function placements() {
  let count = 0;
  const unsolved: string[] = [];
  const started = performance.now();
  for (const of of demoMachines()) {
    if (!hasBench(of)) continue;
    process.stderr.write(`placements of ${of.id}, revision ${of.revision} …\n`);
    const runs = [
      sweep(of, [HEALTHY]),
      sweep(of, everySpecimen(of), { waits: [480], seconds: 0.5 }),
    ];
    for (const run of runs) {
      count += run.count;
      unsolved.push(
        ...run.unsolved.map(({ placement, why }) => `${of.id} ${placement.observable}: ${why}`),
      );
    }
  }
  return {
    count,
    'could not be solved': unsolved.length,
    which: unsolved.slice(0, 10),
    seconds: Number(((performance.now() - started) / 1000).toFixed(0)),
  };
}

/** Every machine that the demo sheets describe. */
const demoMachines = () =>
  demoWorld.sheets.flatMap((written) =>
    machinesOf(written.variants ?? []).map((chosen) => plainSheet(written, chosen)),
  );

/** A square of resistors with a diode at every third node. */
function squareNetlist(side: number): string {
  const lines = ['a square', '.model DX D(IS=1e-9 N=1.6)', 'V1 n0_0 0 50'];
  for (let i = 0; i < side; i += 1)
    for (let j = 0; j < side; j += 1) {
      const k = i * side + j;
      if (i < side - 1) lines.push(`RV${k} n${i}_${j} n${i + 1}_${j} ${100 + (k % 9) * 10}`);
      if (j < side - 1) lines.push(`RH${k} n${i}_${j} n${i}_${j + 1} ${100 + (k % 7) * 10}`);
      if (k > 0 && k % 3 === 0) lines.push(`D${k} n${i}_${j} 0 DX`);
    }
  return [...lines, `RL n${side - 1}_${side - 1} 0 100`, '.op'].join('\n');
}

/** Milliseconds that ngspice takes for one more operating point; undefined where it is not installed. */
function ngspiceMs(text: string): number | undefined {
  const run = (times: number) => {
    const deck = `${text.replace('.op', '')}\n.control\n${'op\n'.repeat(times)}quit\n.endc\n.end\n`;
    const started = performance.now();
    execFileSync('ngspice', ['-b'], { input: deck, stdio: ['pipe', 'ignore', 'ignore'] });
    return performance.now() - started;
  };
  try {
    const [one, many] = [Math.min(run(1), run(1)), Math.min(run(41), run(41))];
    return Number(((many - one) / 40).toFixed(3));
  } catch {
    return undefined;
  }
}

/** A repair after every fifth finding, and the machine powered after each. */
const withWork = (found: readonly Evidence[]): Evidence[] =>
  found.flatMap((item, i) => {
    const fault = medium.faults[i];
    return i % 5 === 4 && i < 15 && fault
      ? [item, { done: { [fault.id]: 0.98 } }, { ran: true as const }]
      : [item];
  });

/** What is asked after every reading: belief, the cost of repair, and every test's worth. */
const worthOfAll = (model: DiagnosticModel) =>
  nextTests(
    infer(model, evidence),
    model.parts.map(({ id }, i) => ({ id, price: 50 + 70 * i, minutes: 20 + 5 * i })),
    model.tests.map(({ id }, i) => ({ id, minutes: 1 + (i % 5) })),
    USUAL_RATES,
  );

/** So many codes of a library, their words out of those that faults are named by. */
function libraryOfCodes(codes: number) {
  const roll = dice(11);
  const words =
    'compressor current driver sensor coil bus voltage igniter flame water flow pressure high low open short supply link fan motor valve heater door timer'.split(
      ' ',
    );
  const word = () => words[Math.floor(roll() * words.length)]!;
  const facets = facetsOf(sheet);
  return Array.from({ length: codes / 50 }, (_, s) => ({
    id: `s${s}`,
    title: `Sheet ${s}`,
    maker: `Maker ${s % 40}`,
    facets: {
      ...facets,
      codes: Array.from({ length: 50 }, (__, c) => `E${s % 97}${c} ${word()} ${word()} ${word()}`),
    },
  }));
}
const finder = codeFinder(libraryOfCodes(20_000));
const ASKED = ['E4712', 'compresor curent', 'igniter open', 'wat', 'presure hgh driver'];

process.stdout.write(
  `${JSON.stringify(
    {
      unit: 'ms',
      'find a code among 20,000, by code, word or mistyped':
        time(() => ASKED.forEach((words) => finder.find(words))) / ASKED.length,
      'belief after 20 findings, 60 faults × 80 tests × 10 parts, K = 2': time(() =>
        infer(medium, evidence),
      ),
      'belief and the worth of every test, 60 faults × 80 tests × 10 parts': time(() =>
        worthOfAll(medium),
      ),
      'belief and the worth of every test, 150 faults × 200 tests × 10 parts': time(
        () => worthOfAll(large),
        11,
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
      'the same, its equations set up before': time(() => sixtySystem.operatingPoint(), 101, 200),
      'the same in ngspice, its equations set up before': ngspiceMs(sixtyText),
      'operating point, a square of 625 nodes with 208 diodes': time(
        () => solveCircuit(square),
        11,
        5,
      ),
      'the square, its equations set up before': time(() => squareSystem.operatingPoint(), 11, 5),
      'the square in ngspice, its equations set up before': ngspiceMs(squareNetlist(25)),
      placements: placements(),
      'mutated netlists': mutatedNetlists(2000),
      'random netlists': randomNetlists(10_000),
      dictionaries: Object.fromEntries(
        demoMachines()
          .filter(hasBench)
          .map((each) => [
            `${each.id}, revision ${each.revision}`,
            dictionarySeconds(each, DRAWS / 2),
          ]),
      ),
      'fold and assess the closed demo job': time(() =>
        assess(sheet, foldJob(sheet, closed.entries)),
      ),
    },
    null,
    2,
  )}\n`,
);
