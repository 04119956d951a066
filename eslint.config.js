import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { CORE_FLOORS } from './scripts/core-floors.mjs';

// Rules that need types are with the checker that is built for them (.oxlintrc.json); circles of imports
// with scripts/circles.mjs, which counts types as well.

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

/** For each floor of the core, what lies above it. */
const floors = CORE_FLOORS.map((floor, i) => ({
  files: [`core/src/${floor}/**/*.ts`, `core/src/${floor}.ts`],
  ignores: ['**/*.test.ts'],
  rules: forbid([
    ...OUTSIDE_CORE,
    ...CORE_FLOORS.slice(i + 1).map((above) => ({
      regex: `^(\\.\\./)+${above}(/|$)`,
      message: `${floor} lies below ${above}: what both need belongs further down.`,
    })),
  ]),
}));

export default tseslint.config(
  { ignores: ['**/dist/**', 'data/**', 'coverage/**', 'test-results/**'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      eqeqeq: ['error', 'smart'],
      'no-console': ['error', { allow: ['error'] }],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts', 'core/test/**'],
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
        { object: 'Math', property: 'random', message: 'The core has no dice; take a generator.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'The core has no clock; take the time as an argument.',
        },
      ],
    },
  },
  ...floors,
  { files: ['demo/**/*.ts'], rules: forbid([SERVER, WEB]) },
  { files: ['server/**/*.ts'], rules: forbid([WEB]) },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { ...hooks.configs.recommended.rules, ...forbid([SERVER, DEMO]) },
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
  {
    files: ['scripts/**', '**/*.mjs', '*.js'],
    languageOptions: {
      globals: { process: 'readonly', console: 'readonly', URL: 'readonly', module: 'writable' },
    },
    rules: { 'no-console': 'off' },
  },
);
