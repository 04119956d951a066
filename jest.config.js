import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';

// Most readers do not live in Greenwich: what takes its day for theirs fails here.
process.env.TZ = 'America/Noronha';

// One Jest run over the workspaces. The server project gets a MariaDB of its own (server/testing).
const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
        target: 'es2022',
      },
      module: { type: 'commonjs' },
    },
  ],
};

// A test runs in a context of its own, where the look-up of a global is slow: these are handed to every
// module. Numerical code looks one up in every line.
const sandboxInjectedGlobals = [
  'Math',
  'Number',
  'Array',
  'Object',
  'Map',
  'Set',
  'String',
  'Symbol',
  'JSON',
  'Infinity',
  'Float64Array',
  'Int32Array',
];

const moduleNameMapper = { '^fast-check$': resolve(import.meta.dirname, 'scripts/properties.cjs') };

/** Set by the whole test: its files share contexts, in so many parts. */
const PARTS = 4;
const together = (name) =>
  process.env.TOGETHER === 'yes'
    ? {
        roots: ['<rootDir>', resolve(import.meta.dirname, 'scripts/together')],
        testMatch: [resolve(import.meta.dirname, 'scripts/together/part-*.cjs')],
        globals: { together: { root: resolve(import.meta.dirname, name), parts: PARTS } },
      }
    : {};

const project = (name, more = {}) => ({
  displayName: name,
  rootDir: name,
  moduleNameMapper,
  testMatch: ['<rootDir>/**/*.test.{ts,tsx}'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/', '\\.agreement\\.test\\.'],
  transform,
  sandboxInjectedGlobals,
  ...more,
});

/** @type {import('jest').Config} */
export default {
  // A test that makes a database of its own waits for the disk, on a machine that may stall.
  testTimeout: 240_000,
  // Jest leaves one core to itself; of two that is half.
  maxWorkers: Math.max(2, availableParallelism() - 1),
  projects: [
    project('core', together('core')),
    project('demo'),
    project('server', {
      ...together('server'),
      // A package of the certificates has a class of its own called Set.
      sandboxInjectedGlobals: sandboxInjectedGlobals.filter((name) => name !== 'Set'),
      globalSetup: '<rootDir>/testing/start-database.ts',
      globalTeardown: '<rootDir>/testing/stop-database.ts',
    }),
    project('web', {
      ...together('web'),
      setupFiles: ['fake-indexeddb/auto'],
      // Answers are held against their published shapes.
      setupFilesAfterEnv: ['<rootDir>/src/data/check-answers.ts'],
    }),
    project('scripts'),
    // The clever way against a plain or a foreign one: thorough, and not part of the quick check.
    project('agreement', {
      rootDir: '.',
      testMatch: ['<rootDir>/{core,demo}/src/**/*.agreement.test.ts'],
      testPathIgnorePatterns: ['/node_modules/', '/dist/'],
    }),
  ],
};
