/** A link within text that a gloved thumb hits. */
export const LINK =
  'inline-flex min-h-11 items-center text-ink underline decoration-jade underline-offset-4';
