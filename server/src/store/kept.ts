/** What was used lately, kept within a weight; what was not used for longest goes first. */
export class Kept<V> {
  readonly #items = new Map<string, { value: V; weight: number }>();
  #weight = 0;

  /** @param most - Sum of the weights that are kept; the latest item is kept whatever it weighs. */
  constructor(private readonly most: number) {}

  get(key: string): V | undefined {
    const item = this.#items.get(key);
    if (!item) return undefined;
    this.#items.delete(key);
    this.#items.set(key, item);
    return item.value;
  }

  set(key: string, value: V, weight: number): void {
    this.drop(key);
    this.#items.set(key, { value, weight });
    this.#weight += weight;
    for (const oldest of this.#items.keys()) {
      if (this.#weight <= this.most || oldest === key) break;
      this.drop(oldest);
    }
  }

  drop(key: string): void {
    this.#weight -= this.#items.get(key)?.weight ?? 0;
    this.#items.delete(key);
  }

  clear(): void {
    this.#items.clear();
    this.#weight = 0;
  }
}
