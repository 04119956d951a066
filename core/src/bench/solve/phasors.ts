/** Small-signal steady state: every device linearised about the operating point, sources as phasors. */
import type { Analysis } from '../circuit';
import { NoConvergenceError, SingularCircuitError } from '../errors';
import { ComplexLu } from './complex-lu';
import type { System } from './system';
import { nth } from '../../numeric/nth';

export interface Phasors {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

/** Solves at many frequencies with one pattern. The system must stand at its operating point. */
export class PhasorSolver {
  readonly #system: System;
  readonly #lu: ComplexLu;

  constructor(system: System) {
    this.#system = system;
    this.#lu = new ComplexLu(system.pattern);
  }

  /** @throws {SingularCircuitError} where a phasor is not determined. */
  at(hertz: number): Phasors {
    const { pattern, unknowns, devices, x } = this.#system;
    const n = unknowns.size + 1;
    const into = {
      re: new Float64Array(pattern.count),
      im: new Float64Array(pattern.count),
      bRe: new Float64Array(n),
      bIm: new Float64Array(n),
    };
    for (const device of devices) device.loadAc(into, x, 2 * Math.PI * hertz);
    for (let i = 0; i < unknowns.size; i += 1)
      if (!unknowns.isBranch[i])
        into.re[pattern.slot(i, i)] = (into.re[pattern.slot(i, i)] ?? 0) + this.#system.air;
    const factored = this.#lu.factor(into.re, into.im);
    if (!factored.ok) throw new SingularCircuitError(nth(unknowns.names, factored.unknown));
    const answer = { re: new Float64Array(n), im: new Float64Array(n) };
    this.#lu.solve(into.bRe, into.bIm, answer.re, answer.im);
    for (let i = 0; i < unknowns.size; i += 1)
      if (!Number.isFinite(answer.re[i] ?? 0) || !Number.isFinite(answer.im[i] ?? 0))
        throw new NoConvergenceError(
          nth(unknowns.names, i),
          'operating point',
          `no phasor at ${hertz} Hz`,
        );
    return answer;
  }
}

/** The frequencies of an `.ac` line, Hz. */
export function frequencies(sweep: Extract<Analysis, { kind: 'ac' }>): number[] {
  const { points, from, to } = sweep;
  if (sweep.sweep === 'lin')
    return Array.from({ length: points }, (_, i) =>
      points === 1 ? from : from + ((to - from) * i) / (points - 1),
    );
  const step = (sweep.sweep === 'dec' ? 10 : 2) ** (1 / points);
  const found: number[] = [];
  for (let i = 0, f = from; f <= to * (1 + 1e-9); i += 1, f = from * step ** i) found.push(f);
  return found;
}
