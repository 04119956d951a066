/**
 * The folders of the core, the ground floor first. A folder imports from those before it and from itself;
 * lint refuses anything else, so that there is one way up and no way round.
 */
export const CORE_FLOORS = [
  'errors',
  'schema-words',
  'numeric',
  'validation',
  'units',
  'curves',
  'judge',
  'meter',
  'sheet',
  'shop',
  'conditions',
  'job',
  'diagnose',
  'next',
  'decide',
  'learn',
  'bench',
  'checks',
  'formulas',
  'quick',
  'places',
  'history-text',
  'people',
  'report',
  'api',
  'surface',
];
