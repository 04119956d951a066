/** Where a sparse matrix has entries: a slot for each (row, column) that some element touches. */
export class Pattern {
  readonly size: number;
  /** Slot 0 takes what would go to ground's row or column, and is never read. */
  readonly rows: number[] = [-1];
  readonly columns: number[] = [-1];
  readonly #slots = new Map<number, number>();
  readonly #asked = new Set<number>();
  #key: string | undefined;

  constructor(size: number) {
    this.size = size;
  }

  get count(): number {
    return this.rows.length;
  }

  /** The same for patterns with the same places. Asked for when all slots are there. */
  get key(): string {
    this.#key ??= `${this.size}|${this.rows.join()}|${this.columns.join()}`;
    return this.#key;
  }

  /** Ground is the index after the last unknown. */
  slot(row: number, column: number): number {
    const slot = this.#find(row, column);
    this.#asked.add(slot);
    return slot;
  }

  /** @returns the slots that were asked for meanwhile, ground's left out. */
  during(bind: () => void): number[] {
    this.#asked.clear();
    bind();
    this.#asked.delete(0);
    return [...this.#asked];
  }

  #find(row: number, column: number): number {
    if (row >= this.size || column >= this.size) return 0;
    const key = row * this.size + column;
    const known = this.#slots.get(key);
    if (known !== undefined) return known;
    const slot = this.rows.length;
    this.#slots.set(key, slot);
    this.rows.push(row);
    this.columns.push(column);
    return slot;
  }
}
