/** Suspects in words: those of the sheet by their names, the two that no sheet lists in our own. */
import type { Who } from '@jeitinho/core/diagnose';

export const whoWords = (who: Who): string =>
  who.kind === 'fault'
    ? who.fault.name
    : who.kind === 'sound'
      ? 'Nothing wrong while measured'
      : 'Something not on this sheet';
