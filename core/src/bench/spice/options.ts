/** `.temp` and `.options`: the temperature is honoured, how another solver searches is passed over. */
import { KELVIN, NOMINAL_CELSIUS } from '../elements/element';
import type { Statement } from './lines';
import { Words, type Surroundings } from './words';

/** How another solver searches, steps, and prints: this one has its own ways, and its own accuracy. */
const OF_THE_SEARCH: ReadonlySet<string> = new Set([
  ...['reltol', 'abstol', 'vntol', 'chgtol', 'trtol', 'pivtol', 'pivrel', 'gmin', 'gminsteps'],
  ...['srcsteps', 'itl1', 'itl2', 'itl3', 'itl4', 'itl5', 'itl6', 'method', 'maxord', 'xmu'],
  ...['acct', 'noacct', 'list', 'node', 'nopage', 'nomod', 'opts', 'numdgt', 'savecurrents'],
  ...['limpts', 'lvltim', 'post', 'ingold', 'interp', 'noopiter', 'plotwinsize', 'warn'],
]);

/** @throws {NetlistError} for an option that would change the circuit and is not known. */
export function celsiusOf(statements: readonly Statement[], around: Surroundings): number {
  let celsius = NOMINAL_CELSIUS;
  for (const statement of statements) {
    const [first] = statement.words;
    if (statement.directive || (first !== '.temp' && first !== '.option' && first !== '.options'))
      continue;
    const words = new Words(statement, around);
    words.word('an option');
    celsius = first === '.temp' ? words.figure('the temperature') : optionsIn(words, celsius);
    words.end();
    if (!(celsius > -KELVIN && celsius < 500))
      words.fail(`a temperature lies between −273 and 500 °C; this is ${celsius}`);
  }
  return celsius;
}

function optionsIn(words: Words, before: number): number {
  const celsius = words.namedOr('temp', before);
  const nominal = words.namedOr('tnom', NOMINAL_CELSIUS);
  if (nominal !== NOMINAL_CELSIUS)
    words.fail(`models are taken to hold at ${NOMINAL_CELSIUS} °C; write them so, without tnom`);
  while (words.left > 0) known(words, words.word('an option'));
  for (const [key] of words.rest()) known(words, key);
  return celsius;
}

function known(words: Words, key: string): void {
  if (!OF_THE_SEARCH.has(key))
    words.fail(`the option “${key}” is not known; take it out if it only steers a search`);
}
