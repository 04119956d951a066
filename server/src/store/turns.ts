/** One after the other for each key; different keys do not wait for each other. */
export class Turns {
  readonly #last = new Map<string, Promise<unknown>>();

  async take<T>(key: string, work: () => Promise<T>): Promise<T> {
    const before = this.#last.get(key);
    const mine = before ? before.then(work, work) : work();
    this.#last.set(key, mine);
    try {
      return await mine;
    } finally {
      if (this.#last.get(key) === mine) this.#last.delete(key);
    }
  }
}
