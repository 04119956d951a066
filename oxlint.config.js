import { fileURLToPath } from 'node:url';
import { CORE_FLOORS } from './scripts/core-floors.mjs';

// All of lint, in one process. Circles of imports are with scripts/circles.mjs, which counts types as well.

/** The arrows of the architecture: what a folder may not import, and why. */
const forbid = (patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });
const not = (group, message) => ({ group, message });

const SERVER = not(
  ['@jeitinho/server', '@jeitinho/server/*', '**/server/src/**'],
  'Only the server may import the server; talk to it over its API.',
);
const WEB = not(['@jeitinho/web', '**/web/src/**'], 'Nothing imports the interface.');
const DEMO = not(['@jeitinho/demo', '**/demo/src/**'], 'Only the server loads the demo world.');

const OUTSIDE_CORE = [
  SERVER,
  WEB,
  DEMO,
  not(
    ['react', 'react-*', 'hono', 'hono/*', 'sequelize', '@tanstack/*', 'node:*', 'fs', 'path'],
    'The core is pure computation: no interface, no server, no Node.',
  ),
];

const TESTS = ['**/*.test.ts'];

/** For each floor of the core, what lies above it. */
const floors = CORE_FLOORS.map((floor, i) => ({
  files: [`core/src/${floor}/**/*.ts`, `core/src/${floor}.ts`],
  excludeFiles: TESTS,
  rules: forbid([
    ...OUTSIDE_CORE,
    ...CORE_FLOORS.slice(i + 1).map((above) => ({
      regex: `^(\\.\\./)+${above}(/|$)`,
      message: `${floor} lies below ${above}: what both need belongs further down.`,
    })),
  ]),
}));

const each = (level, names) =>
  Object.fromEntries(
    names
      .trim()
      .split(/\s+/)
      .map((name) => [name, level]),
  );

/** Beside what is outright wrong. */
const ALSO = each(
  'error',
  `no-array-constructor no-case-declarations no-empty no-fallthrough no-regex-spaces
   no-prototype-builtins no-redeclare no-unused-private-class-members no-useless-assignment
   no-var prefer-const prefer-rest-params prefer-spread preserve-caught-error
   typescript/ban-ts-comment typescript/consistent-type-imports typescript/no-empty-object-type
   typescript/no-explicit-any typescript/no-namespace typescript/no-require-imports
   typescript/no-unsafe-function-type typescript/no-unnecessary-type-constraint`,
);
/** A method handed on by name, bytes as text, a letter of a text: as they are used here they are right. */
const NOT_SO = each(
  'off',
  `typescript/unbound-method typescript/no-base-to-string typescript/no-misused-spread
   typescript/no-meaningless-void-operator typescript/require-array-sort-compare`,
);
const REACT = each(
  'error',
  `react/rules-of-hooks react/exhaustive-deps react/static-components react/use-memo
   react/preserve-manual-memoization react/incompatible-library react/immutability react/globals
   react/refs react/purity react/set-state-in-effect react/set-state-in-render
   react/error-boundaries react/unsupported-syntax`,
);

export default {
  plugins: ['typescript', 'react'],
  // What is outright wrong; the rest is named.
  categories: { correctness: 'error' },
  ignorePatterns: ['**/dist/**', 'data/**', 'coverage/**', 'test-results/**'],
  rules: {
    ...ALSO,
    ...NOT_SO,
    'no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    eqeqeq: ['error', 'smart'],
    'no-console': ['error', { allow: ['error'] }],
    'typescript/no-floating-promises': 'error',
    'typescript/switch-exhaustiveness-check': [
      'error',
      { considerDefaultExhaustiveForUnions: true },
    ],
  },
  overrides: [
    {
      files: ['core/**/*.ts'],
      excludeFiles: [...TESTS, 'core/test/**'],
      jsPlugins: [fileURLToPath(new URL('scripts/lint/no-clock.mjs', import.meta.url))],
      rules: {
        ...forbid(OUTSIDE_CORE),
        'no-restricted-globals': [
          'error',
          ...['window', 'document', 'localStorage', 'fetch', 'process', 'performance'].map(
            (name) => ({
              name,
              message: 'The core knows no surroundings; take the value as an argument.',
            }),
          ),
        ],
        'no-restricted-properties': [
          'error',
          { object: 'Date', property: 'now', message: 'The core has no clock; take the time.' },
          {
            object: 'Math',
            property: 'random',
            message: 'The core has no dice; take a generator.',
          },
        ],
        'jeitinho/no-new-date': 'error',
      },
    },
    ...floors,
    { files: ['demo/**/*.ts'], rules: forbid([SERVER, WEB]) },
    { files: ['server/**/*.ts'], rules: forbid([WEB]) },
    {
      files: ['web/**/*.{ts,tsx}'],
      rules: {
        ...REACT,
        ...forbid([SERVER, DEMO]),
      },
    },
    {
      files: ['web/src/{parts,data,theme,workers}/**/*.{ts,tsx}'],
      rules: forbid([
        SERVER,
        DEMO,
        not(['**/screens/**'], 'Screens are made of parts; a part knows no screen.'),
      ]),
    },
    {
      files: ['web/src/data/**/*.{ts,tsx}'],
      rules: forbid([
        SERVER,
        DEMO,
        not(['**/screens/**', '**/parts/**'], 'Data knows nothing of how it is shown.'),
      ]),
    },
    { files: ['scripts/**', '**/*.mjs', '*.js'], rules: { 'no-console': 'off' } },
    { files: ['**/*.cjs'], rules: { 'typescript/no-require-imports': 'off' } },
  ],
  options: { typeAware: true, denyWarnings: true, reportUnusedDisableDirectives: 'error' },
};
