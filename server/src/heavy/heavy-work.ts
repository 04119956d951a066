/** Reading documents without keeping others waiting, and never for longer than its time. */
import { Piscina } from 'piscina';
import { ProblemError } from '../problem';
import { readDocument, type DocumentTask, type ReadDocument } from './read-documents';

/** Smaller ones are read in a moment. */
const SMALL = 40_000;
/** Of a loaded machine: a sheet of thousands of codes takes two seconds of a free one. */
const TIME_MS = 20_000;
const QUEUE = 16;

export class HeavyWork {
  readonly #pool: Piscina | undefined;
  readonly #timeMs: number;

  /** @param script - The built worker; without one everything is read here. */
  constructor(script?: URL, timeMs = TIME_MS) {
    this.#timeMs = timeMs;
    this.#pool =
      script &&
      new Piscina({
        filename: script.href,
        minThreads: 0,
        maxThreads: 1,
        maxQueue: QUEUE,
        idleTimeout: 30_000,
      });
  }

  /** @throws {ProblemError} 422 for one that takes longer than its time, 503 while too many wait. */
  async read(task: DocumentTask): Promise<ReadDocument> {
    if (!this.#pool || task.bytes.byteLength <= SMALL) return readDocument(task);
    try {
      return (await this.#pool.run(task, {
        signal: AbortSignal.timeout(this.#timeMs),
        transferList: [task.bytes],
      })) as ReadDocument;
    } catch (error) {
      if ((error as Error).name === 'AbortError')
        throw new ProblemError(
          422,
          'too-slow',
          `Nothing was stored: checking it took longer than ${this.#timeMs / 1000} s. Split what are several machines.`,
        );
      if ((error as Error).message.includes('queue is at limit'))
        throw new ProblemError(503, 'busy', 'Nothing was stored: other sheets are being checked.', {
          retryAfter: 5,
        });
      throw error;
    }
  }

  async close(): Promise<void> {
    await this.#pool?.destroy();
  }
}
