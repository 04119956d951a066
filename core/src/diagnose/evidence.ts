/** What is known about a machine, in the order in which it came: findings, and work that changed it. */

/** A judged test, once or several times over in the same spell. */
export type TestFinding = (
  | { readonly outcome: string }
  /** A judged reading with its whole outcome distribution. */
  | { readonly p: Readonly<Record<string, number>> }
) & {
  readonly test: string;
  /** Earlier ones that agree, the leads lifted in between. */
  readonly again?: number;
};

export type Finding =
  | TestFinding
  | { readonly code: string }
  | { readonly symptom: string }
  /** The complaint, seen on site or looked for and not seen. */
  | { readonly confirmed: boolean };

export type Work =
  /** Each fault is taken away with its chance. */
  | { readonly done: Readonly<Record<string, number>> }
  /** The old parts are in again, with these faults where they were there on arrival. */
  | { readonly back: readonly string[] }
  /** Powered since: what is left may bring again what was taken away. */
  | { readonly ran: true };

export type Evidence = Finding | Work;

export const isWork = (item: Evidence): item is Work =>
  'done' in item || 'back' in item || 'ran' in item;

export const isTest = (item: Evidence): item is TestFinding => 'test' in item;

/** The likeliest outcome of a finding; of equal ones the first. */
export function likeliest(finding: TestFinding): string {
  if ('outcome' in finding) return finding.outcome;
  return Object.entries(finding.p).reduce((best, each) => (each[1] > best[1] ? each : best))[0];
}
