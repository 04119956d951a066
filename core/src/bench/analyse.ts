/** The analyses that a netlist asks for, as plain data. */
import type { Analysis, Circuit } from './circuit';
import { frequencies, PhasorSolver } from './solve/phasors';
import { System } from './solve/system';
import { fastestSine } from './solve/rhythm';
import { runTransient, startFromInitial } from './solve/transient';
import { nth } from '../numeric/nth';

export interface Solved {
  readonly op?: {
    /** Volts. */
    readonly nodes: { readonly [node: string]: number };
    /** Amps from plus to minus through sources and coils. */
    readonly branches: { readonly [element: string]: number };
  };
  readonly tran?: {
    readonly t: readonly number[];
    readonly nodes: { readonly [node: string]: readonly number[] };
  };
  readonly ac?: {
    readonly f: readonly number[];
    /** Real and imaginary part. */
    readonly nodes: { readonly [node: string]: readonly (readonly [number, number])[] };
  };
}

/** At least so many steps to a turn of the fastest sine. */
const STEPS_A_TURN = 64;

/**
 * Solve everything the netlist asks for; the operating point where it asks for nothing.
 * @throws {CoreError} a typed failure of errors.ts; never a figure that is not one.
 */
export function solveCircuit(circuit: Circuit): Solved {
  const asked = circuit.analyses.length > 0 ? circuit.analyses : [{ kind: 'op' as const }];
  let solved: Solved = {};
  for (const analysis of asked) solved = { ...solved, ...solveOne(circuit, analysis) };
  return solved;
}

function solveOne(drawn: Circuit, analysis: Analysis): Solved {
  const system = new System(analysis.kind === 'tran' ? drawn : atTheirLevel(drawn));
  const names = system.unknowns.names.filter((_, i) => !system.unknowns.isBranch[i]);
  switch (analysis.kind) {
    case 'op':
      system.operatingPoint();
      return {
        op: {
          nodes: Object.fromEntries(names.map((name) => [name, system.voltsAt(name)])),
          branches: system.branches(),
        },
      };
    case 'tran':
      return { tran: overTime(system, names, analysis, fastestSine(drawn)) };
    case 'ac': {
      system.operatingPoint();
      const solver = new PhasorSolver(system);
      const f = frequencies(analysis);
      const nodes: { [node: string]: [number, number][] } = {};
      for (const hertz of f) {
        const { re, im } = solver.at(hertz);
        for (const name of names) {
          const i = system.unknowns.node(name);
          (nodes[name] ??= []).push([re[i] ?? 0, im[i] ?? 0]);
        }
      }
      return { ac: { f, nodes } };
    }
  }
}

/** Sources that have a level by themselves stand at it for an operating point. */
const atTheirLevel = (circuit: Circuit): Circuit => ({
  ...circuit,
  elements: circuit.elements.map((element) =>
    'wave' in element && element.dc !== undefined
      ? { ...element, wave: { kind: 'dc', value: element.dc } }
      : element,
  ),
});

/** Points `step` apart from `start` to `stop`, interpolated between the solver's own steps. */
function overTime(
  system: System,
  names: readonly string[],
  { step, stop, start, most, uic }: Extract<Analysis, { kind: 'tran' }>,
  sine: number,
): NonNullable<Solved['tran']> {
  const count = Math.floor((stop - start) / step + 1e-9) + 1;
  const wanted = Array.from({ length: count }, (_, i) => start + i * step);
  const indices = names.map((name) => system.unknowns.node(name));
  const tracks = names.map(() => new Float64Array(count));
  if (uic) startFromInitial(system, 0);
  else system.operatingPoint(0, { settled: false });
  let next = 0;
  let before = { t: 0, values: indices.map((i) => system.x[i] ?? 0) };
  const take = (t: number) => {
    const values = indices.map((i) => system.x[i] ?? 0);
    const span = t - before.t;
    while (next < count && (wanted[next] ?? 0) <= t * (1 + 1e-12)) {
      const share = span > 0 ? ((wanted[next] ?? 0) - before.t) / span : 1;
      for (const [k, value] of values.entries())
        nth(tracks, k)[next] = (before.values[k] ?? 0) + (value - (before.values[k] ?? 0)) * share;
      next += 1;
    }
    before = { t, values };
  };
  take(0);
  runTransient(
    system,
    {
      to: stop,
      tolerance: 1e-4,
      every: step,
      most: Math.min(
        most ?? Infinity,
        // Kinks between two points would be cut off by the straight line between them.
        step / 4,
        (stop - start) / 50,
        sine > 0 ? 1 / (STEPS_A_TURN * sine) : Infinity,
      ),
    },
    take,
  );
  if (next < count) take(stop * (1 + 1e-9));
  return {
    t: wanted,
    nodes: Object.fromEntries(names.map((name, k) => [name, [...nth(tracks, k)]])),
  };
}
