/** Where things of a sheet written out stand in the sheet as its author wrote it. */

/** What differs below one place; undefined where everything below stands as it was written. */
export interface Origin {
  /** Key or position there to that of the author. */
  readonly from: ReadonlyMap<string, string>;
  readonly below: ReadonlyMap<string, Origin>;
}

/** @param path - JSON path in the sheet written out. @returns the author's. */
export function writtenPath(origin: Origin | undefined, path: string): string {
  const [start = '', ...steps] = path.split('/');
  let here = origin;
  const written = steps.map((step) => {
    const from = here?.from.get(step) ?? step;
    here = here?.below.get(step);
    return from;
  });
  return [start, ...written].join('/');
}

/** Notes where the things below one place come from; gives undefined where nothing moved. */
export class OriginOf {
  readonly #from = new Map<string, string>();
  readonly #below = new Map<string, Origin>();

  note(here: string, written: string, below: Origin | undefined): void {
    if (here !== written) this.#from.set(here, written);
    if (below) this.#below.set(here, below);
  }

  get(): Origin | undefined {
    return this.#from.size > 0 || this.#below.size > 0
      ? { from: this.#from, below: this.#below }
      : undefined;
  }
}
