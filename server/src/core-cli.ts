/**
 * `./jeitinho core VERB < in.json > out.json`: the core on the command line. One case or an array of
 * cases; errors are one JSON object and exit code 1.
 */
import { readFileSync } from 'node:fs';
import { CoreError } from '@jeitinho/core';
import { runVerb } from './core-verbs';

try {
  const verb = process.argv[2] ?? '';
  const text = readFileSync(0, 'utf8');
  let input: unknown = text;
  // A netlist is text as it is; every other verb takes JSON.
  try {
    if (verb !== 'solve') input = JSON.parse(text);
  } catch {
    throw Object.assign(new Error('the input is not valid JSON'), { code: 'malformed-json' });
  }
  process.stdout.write(`${JSON.stringify(runVerb(verb, input))}\n`);
} catch (error) {
  const known = error as { code?: unknown; message: string };
  const failure = {
    code: typeof known.code === 'string' ? known.code : 'internal',
    message: known.message,
    ...(error instanceof CoreError && error.path !== undefined && { path: error.path }),
  };
  process.stdout.write(`${JSON.stringify({ error: failure })}\n`);
  process.exitCode = 1;
}
