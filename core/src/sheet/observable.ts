/** One thing that a sheet lets the technician find out. */
export interface Observable {
  readonly id: string;
  readonly test: string;
  /** Absent for questions and for rules. */
  readonly point?: string;
  /** Present for rules only. */
  readonly rule?: string;
  /** `ok` first, then the rest, each once. */
  readonly outcomes: readonly string[];
  /** Chance of an outcome unrelated to the faults; the engine's default where absent. */
  readonly noise?: number;
}
