/** Why an entry is not admitted: a code for programs, a sentence for the technician. */

export type RefusalCode =
  | 'dead-not-proven'
  | 'not-live'
  | 'precautions-owed'
  | 'safe-step-out-of-order'
  | 'old-step'
  | 'source-unfit'
  | 'unknown-pair'
  | 'access-owed'
  | 'store-charged'
  | 'electronics-plugged-in'
  | 'nothing-lost'
  | 'left-unsaid'
  | 'unknown-test'
  | 'wrong-function'
  | 'negative-reading'
  | 'meter-unfit'
  | 'given-owed'
  | 'given-tolerance'
  | 'given-beyond'
  | 'not-a-series'
  | 'not-a-tone'
  | 'not-in-order'
  | 'unknown-answer'
  | 'unknown-variant'
  | 'pins-at-odds'
  | 'variant-owed'
  | 'unknown-access'
  | 'unknown-state'
  | 'unknown-place'
  | 'second-person-owed'
  | 'licence-missing'
  | 'purge-owed'
  | 'nothing-to-judge'
  | 'contact-not-owed'
  | 'no-such-clock'
  | 'unknown-part'
  | 'unknown-repair'
  | 'unknown-symptom'
  | 'work-unsaid'
  | 'nothing-to-put-back'
  | 'bad-in-box'
  | 'nothing-contradicts'
  | 'state-not-entered'
  | 'state-needs'
  | 'ending-unsaid'
  | 'reason-owed'
  | 'decision-owed'
  | 'nothing-to-withdraw'
  | 'already-open'
  | 'ill-formed-text'
  | 'job-signed';

export interface Refusal {
  readonly code: RefusalCode;
  /** What stands in the way and what to do, for the technician. */
  readonly message: string;
}

export const refuse = (code: RefusalCode, message: string): Refusal => ({ code, message });
