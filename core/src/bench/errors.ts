/** What can be wrong with a circuit. A figure is never given where one of these holds. */
import { CoreError } from '../errors';

/** A netlist line that cannot be read, or that contradicts another. */
export class NetlistError extends CoreError {
  override readonly name = 'NetlistError';
  readonly code = 'netlist';
  /** Counted from 1; undefined where the fault is in none of the lines, such as a missing one. */
  readonly line: number | undefined;
  constructor(message: string, line?: number) {
    super(line === undefined ? message : `line ${line}: ${message}`);
    this.line = line;
  }
}

/** More elements, nodes or points in time than the solver takes on. */
export class CircuitTooLargeError extends CoreError {
  override readonly name = 'CircuitTooLargeError';
  readonly code = 'circuit-too-large';
  readonly limit: number;
  constructor(what: string, found: number, limit: number, line?: number) {
    const where = line === undefined ? '' : `line ${line}: `;
    super(`${where}the circuit has ${found} ${what}; the limit is ${limit}`);
    this.limit = limit;
  }
}

/** More computing than one circuit is given. */
export class TooMuchWorkError extends CoreError {
  override readonly name = 'TooMuchWorkError';
  readonly code = 'too-much-work';
  constructor() {
    super(
      'this circuit takes more computing than one is given; shorten the time, slow its fastest source down, or take parts out',
    );
  }
}

/** Nodes without any conducting path to ground: their voltage is not defined. */
export class FloatingNodeError extends CoreError {
  override readonly name = 'FloatingNodeError';
  readonly code = 'floating-node';
  readonly nodes: readonly string[];
  constructor(nodes: readonly string[]) {
    super(
      `no path to ground from: ${nodes.join(', ')}; add a resistor, or join ${nodes.length > 1 ? 'them' : 'it'} to node 0`,
    );
    this.nodes = nodes;
  }
}

/** Sources of voltage (or a source and coils) in a closed loop: the current is not defined. */
export class SourceLoopError extends CoreError {
  override readonly name = 'SourceLoopError';
  readonly code = 'source-loop';
  readonly elements: readonly string[];
  constructor(elements: readonly string[]) {
    super(
      `voltage sources or coils form a loop: ${elements.join(', ')}; put a resistance between them`,
    );
    this.elements = elements;
  }
}

/** The matrix has no unique solution although every node is tied down. */
export class SingularCircuitError extends CoreError {
  override readonly name = 'SingularCircuitError';
  readonly code = 'singular-circuit';
  readonly unknown: string;
  constructor(unknown: string) {
    super(`the circuit has no unique solution at ${unknown}`);
    this.unknown = unknown;
  }
}

/** Newton's method, its fallbacks or the step control gave up. */
export class NoConvergenceError extends CoreError {
  override readonly name = 'NoConvergenceError';
  readonly code = 'no-convergence';
  /** The node (or branch) that moved most in the last try. */
  readonly node: string;
  /** Where it happened: `operating point`, or the moment of a transient in seconds. */
  readonly step: 'operating point' | number;
  constructor(node: string, step: 'operating point' | number, why: string) {
    super(
      `no solution found ${step === 'operating point' ? 'for the operating point' : `at ${step} s`}: ${why} (worst at ${node})`,
    );
    this.node = node;
    this.step = step;
  }
}
