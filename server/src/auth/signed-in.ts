/** Somebody who asks, as the guard found them. */
import type { LicenceHeld, Role } from '@jeitinho/core';

export interface SignedIn {
  readonly session: string;
  readonly id: string;
  readonly name: string;
  /** All names that their entries carry: the present one first. */
  readonly names: readonly string[];
  readonly roles: readonly Role[];
  readonly licences: readonly LicenceHeld[];
  readonly demo: boolean;
}
