/** What was worked out of late, by name: the same board is solved again and again. So many at most, the oldest goes. */
export class Recent<Kept> {
  readonly #kept = new Map<string, Kept>();
  readonly #most: number;

  constructor(most: number) {
    this.#most = most;
  }

  get(key: string): Kept | undefined {
    return this.#kept.get(key);
  }

  set(key: string, kept: Kept): void {
    this.#kept.delete(key);
    this.#kept.set(key, kept);
    if (this.#kept.size > this.#most) this.#kept.delete(this.#kept.keys().next().value!);
  }

  /** As it is known, or worked out now. */
  of(key: string, make: () => Kept): Kept {
    if (!this.#kept.has(key)) this.set(key, make());
    return this.#kept.get(key)!;
  }
}

/** A memory of their own for each of some things, gone with them. */
export function recentOf<Kept>(most: number): (owner: object) => Recent<Kept> {
  const all = new WeakMap<object, Recent<Kept>>();
  return (owner) => {
    const known = all.get(owner) ?? new Recent<Kept>(most);
    all.set(owner, known);
    return known;
  };
}
