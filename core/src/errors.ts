/**
 * Failures of the core. Each carries a stable `code` for programs, a sentence for a person, and,
 * where there is one, the path to the place. An expected outcome (a reading that cannot be judged,
 * an entry that safety refuses) is a value, not an error.
 */
export abstract class CoreError extends Error {
  abstract readonly code: string;
  /** JSON path of the offending place, such as `/tests/3/expect/low`, where known. */
  readonly path: string | undefined;

  constructor(message: string, path?: string) {
    super(message);
    this.path = path;
  }
}

/** Input of the right shape that means nothing: a limit above its partner, a NaN reading. */
export class InvalidInputError extends CoreError {
  override readonly name = 'InvalidInputError';
  readonly code = 'invalid-input';
}

/** A reference (test, point, fault, pin …) that the sheet does not declare. */
export class UnknownReferenceError extends CoreError {
  override readonly name = 'UnknownReferenceError';
  readonly code = 'unknown-reference';
}

/** Every hypothesis has probability zero under the evidence; only a malformed model allows it. */
export class ImpossibleEvidenceError extends CoreError {
  override readonly name = 'ImpossibleEvidenceError';
  readonly code = 'impossible-evidence';
}
