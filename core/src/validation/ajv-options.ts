/** How Ajv is set up, here and where validators are made at build time. */
import type { Options } from 'ajv';

export const AJV_OPTIONS: Options = {
  allErrors: true,
  strict: true,
  strictTypes: false,
  strictTuples: false,
  // What is referred to gets a function of its own instead of a copy at every place.
  inlineRefs: false,
  // Lengths are counted as JavaScript counts them, which needs no helper at run time; the note that this
  // is not the default is known.
  unicode: false,
  logger: false,
};
