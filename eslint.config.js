import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** The arrows of the architecture: what a folder may not import, and why. */
const forbid = (patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });
const not = (group, message) => ({ group, message });

const SERVER = not(
  ['@jeitinho/server', '@jeitinho/server/*', '**/server/src/**'],
  'Only the server may import the server; talk to it over its API.',
);
const WEB = not(['@jeitinho/web', '**/web/src/**'], 'Nothing imports the interface.');
const DEMO = not(['@jeitinho/demo', '**/demo/src/**'], 'Only the server loads the demo world.');

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
      ...forbid([
        SERVER,
        WEB,
        DEMO,
        not(
          [
            'react',
            'react-*',
            'hono',
            'hono/*',
            'sequelize',
            '@tanstack/*',
            'node:*',
            'fs',
            'path',
          ],
          'The core is pure computation: no interface, no server, no Node.',
        ),
      ]),
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
  { files: ['demo/**/*.ts'], rules: forbid([SERVER, WEB]) },
  { files: ['server/**/*.ts'], rules: forbid([WEB]) },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { ...hooks.configs.recommended.rules, ...forbid([SERVER, DEMO]) },
  },
  {
    files: ['scripts/**', '**/*.mjs', '*.js'],
    languageOptions: {
      globals: { process: 'readonly', console: 'readonly', URL: 'readonly', module: 'writable' },
    },
    rules: { 'no-console': 'off' },
  },
);
