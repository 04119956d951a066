/** Asking the bench's thread, and starting it again should it die. */
import { Worker } from 'node:worker_threads';
import type { BenchedSheet, Probed } from '@jeitinho/core/bench';
import type { ProbeAnswer, ProbeTask } from './bench-worker';

export type Asked = Omit<ProbeTask, 'id' | 'sheet'> & { readonly sheet: BenchedSheet };

export class BenchPool {
  #worker: Worker | undefined;
  #next = 1;
  readonly #waiting = new Map<
    number,
    {
      readonly asked: Asked;
      readonly resolve: (p: Probed) => void;
      readonly reject: (e: Error) => void;
    }
  >();
  #known = new Set<string>();
  readonly #script: URL;
  readonly #onLost: (error: Error) => void;

  /** @param script - Built beside the server. @param onLost - Told why the thread died. */
  constructor(
    script = new URL('./bench/bench-worker.js', import.meta.url),
    onLost: (error: Error) => void = () => {},
  ) {
    this.#script = script;
    this.#onLost = onLost;
  }

  /** @throws {Error} with the solver's sentence where the circuit cannot be solved. */
  probe(asked: Asked): Promise<Probed> {
    return new Promise((resolve, reject) => {
      const id = this.#next;
      this.#next += 1;
      this.#waiting.set(id, { asked, resolve, reject });
      this.#send(id, asked);
    });
  }

  #send(id: number, { sheet, ...task }: Asked): void {
    const fresh = !this.#known.has(task.key);
    this.#known.add(task.key);
    this.#ready().postMessage({ id, ...task, ...(fresh && { sheet }) } satisfies ProbeTask);
  }

  #ready(): Worker {
    if (this.#worker) return this.#worker;
    const worker = new Worker(this.#script);
    this.#worker = worker;
    this.#known = new Set();
    worker.on('message', (answer: ProbeAnswer) => this.#take(answer));
    worker.on('error', (error) => this.#lost(error));
    worker.unref();
    return worker;
  }

  #take(answer: ProbeAnswer): void {
    const waiting = this.#waiting.get(answer.id);
    if (!waiting) return;
    if ('unknownSheet' in answer) {
      this.#known.delete(waiting.asked.key);
      this.#send(answer.id, waiting.asked);
      return;
    }
    this.#waiting.delete(answer.id);
    if ('failed' in answer) waiting.reject(new Error(answer.failed));
    else waiting.resolve(answer.probed);
  }

  #lost(error: Error): void {
    this.#worker = undefined;
    this.#onLost(error);
    const told = new Error('The simulated machine has stopped. Touch the points again.');
    for (const { reject } of this.#waiting.values()) reject(told);
    this.#waiting.clear();
  }

  async close(): Promise<void> {
    await this.#worker?.terminate();
    this.#worker = undefined;
  }
}
