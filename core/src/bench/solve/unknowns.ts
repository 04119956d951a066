/** Numbers the unknowns of a circuit: nodes first come, first served; then branches and inner nodes. */
import { GROUND } from '../circuit';
import type { Unknowns } from '../devices/device';

export class UnknownList implements Unknowns {
  readonly names: string[] = [];
  /** Which unknowns are currents; the rest are volts. */
  readonly isBranch: boolean[] = [];
  readonly #nodes = new Map<string, number>();
  readonly #branches = new Map<string, number>();

  /** Every node is known beforehand, so that ground can be the index after the last unknown. */
  constructor(nodes: Iterable<string>, more: number) {
    for (const name of nodes) if (name !== GROUND && !this.#nodes.has(name)) this.#add(name, false);
    this.size = this.names.length + more;
  }

  /** Upper bound until {@link close}; ground's index. */
  readonly size: number;

  #add(name: string, branch: boolean): number {
    const index = this.names.length;
    this.names.push(name);
    this.isBranch.push(branch);
    if (!branch) this.#nodes.set(name, index);
    return index;
  }

  node(name: string): number {
    return name === GROUND ? this.size : this.#nodes.get(name)!;
  }
  branch(name: string): number {
    const index = this.#add(`i(${name})`, true);
    this.#branches.set(name, index);
    return index;
  }
  inner(name: string): number {
    return this.#add(name, false);
  }
  branchOf(name: string): number | undefined {
    return this.#branches.get(name);
  }
  indexOf(node: string): number | undefined {
    return node === GROUND ? this.size : this.#nodes.get(node);
  }
}
