/** Numbers the unknowns of a circuit: nodes first come, first served; then branches. */
import { GROUND } from '../elements/element';
import { NetlistError } from '../errors';
import type { Unknowns } from '../elements/device';

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
    return this.indexOf(name) ?? unknown(name);
  }
  branch(name: string): number {
    const index = this.#add(`i(${name})`, true);
    this.#branches.set(name, index);
    return index;
  }
  /** @throws {NetlistError} where the element has no current of its own. */
  branchAt(name: string): number {
    return this.#branches.get(name) ?? unknown(name);
  }
  branchOf(name: string): number | undefined {
    return this.#branches.get(name);
  }
  indexOf(node: string): number | undefined {
    return node === GROUND ? this.size : this.#nodes.get(node);
  }
}

function unknown(name: string): never {
  throw new NetlistError(`“${name}” is no unknown of this circuit`);
}
