/**
 * Commits taken together. While two statements are under way, what else comes in waits and goes as one:
 * each of them is still whole or not at all, and durable before it is answered.
 */

/** A row to be written. */
export interface EntryRow {
  readonly values: readonly unknown[];
  readonly bytes: number;
}

/** Writes rows, all of them or none: durable when it returns. */
type Write = (rows: readonly EntryRow[]) => Promise<void>;

/** Statements under way at once. */
const MOST_RUNNING = 2;
/** Batches, and their bytes, in one statement. */
const MOST_TOGETHER = 100;
const MOST_BYTES = 2_000_000;

interface Waiting {
  readonly rows: readonly EntryRow[];
  readonly resolve: () => void;
  readonly reject: (error: unknown) => void;
}

export class InsertQueue {
  #running = 0;
  readonly #waiting: Waiting[] = [];

  /** @throws what the database says of these rows. */
  insert(write: Write, rows: readonly EntryRow[]): Promise<void> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ rows, resolve, reject });
      this.#pump(write);
    });
  }

  #pump(write: Write): void {
    while (this.#running < MOST_RUNNING && this.#waiting.length > 0) {
      this.#running += 1;
      void this.#run(write, this.#take()).finally(() => {
        this.#running -= 1;
        this.#pump(write);
      });
    }
  }

  #take(): Waiting[] {
    let bytes = 0;
    let count = 0;
    for (const { rows } of this.#waiting) {
      bytes += rows.reduce((sum, row) => sum + row.bytes, 0);
      if (count > 0 && (bytes > MOST_BYTES || count >= MOST_TOGETHER)) break;
      count += 1;
    }
    return this.#waiting.splice(0, count);
  }

  async #run(write: Write, group: readonly Waiting[]): Promise<void> {
    try {
      await write(group.flatMap(({ rows }) => rows));
      for (const { resolve } of group) resolve();
    } catch (error) {
      const [only, ...others] = group;
      if (only && others.length === 0) return only.reject(error);
      // One of them stands in the way: each by itself, so that only that one is told.
      for (const { rows, resolve, reject } of group) await write(rows).then(resolve, reject);
    }
  }
}
