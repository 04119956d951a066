/** The live display and the single reading are one meter: at rest they say the same, of anything. */
import fc from 'fast-check';
import { randomNetlist } from '../../../test/random-netlist';
import { CoreError } from '../../errors';
import type { Circuit } from '../circuit';
import { readNetlist } from '../spice/read';
import { measure } from './measure';
import type { Probing } from './probing';
import type { Indication } from './shown';
import { track } from './track';

const FUNCTIONS = [
  'V=',
  'V~',
  'Hz',
  'ohm',
  'A=',
  'A~',
  'continuity',
  'diode',
  'capacitance',
  'insulation',
] as const;

/** Analyses are not asked for here; what runs by the clock has its rest at another moment. */
const restful = (text: string): string =>
  [
    ...text.split('\n').filter((line) => !/^(\.op|\.tran|\.ac|\*@ sequencer)/.test(line)),
    'RQA a 0 1g',
    'RQB b 0 1g',
  ].join('\n');

function attempt<T>(what: () => T): T | undefined {
  try {
    return what();
  } catch (error) {
    if (error instanceof CoreError) return undefined;
    throw error;
  }
}

/** What is remarked beside the figure, without what follows from it. */
const remarks = (flags: readonly string[] = []) =>
  flags.filter((flag) => flag !== 'auto' && flag !== 'OL').sort();
/** Volts of a hazard as told, without the last digits of a sum. */
const told = (hazards: Indication['hazards']) =>
  hazards.map((each) => ({ ...each, ...('volts' in each && { volts: Math.round(each.volts) }) }));

function compare(
  drawn: Circuit,
  probing: Probing,
): 'same' | 'moves' | 'one of them fails' | 'fails' {
  const single = attempt(() => measure(drawn, probing));
  const shown = attempt(() => track(drawn, probing, { seconds: 3 }));
  if (!single || !shown) return single || shown ? 'one of them fails' : 'fails';
  expect(told(shown.hazards)).toEqual(told(single.hazards));
  if (single.hazards.length > 0) return 'same';
  const now = shown.updates.at(-1)!;
  if (shown.updates.slice(-4).some(({ value }) => value !== now.value)) return 'moves';
  expect([probing, now.value, remarks(now.flags)]).toEqual([
    probing,
    single.value,
    remarks(single.flags),
  ]);
  return 'same';
}

test('on a thousand random circuits the display comes to rest where the reading stands', () => {
  const found = { same: 0, moves: 0, 'one of them fails': 0, fails: 0 };
  const texts = fc.sample(randomNetlist, { numRuns: 1000, seed: 15 });
  for (const [i, text] of texts.entries()) {
    const drawn = attempt(() => readNetlist(restful(text)));
    if (!drawn) continue;
    const fn = FUNCTIONS[i % FUNCTIONS.length]!;
    found[compare(drawn, { function: fn, red: 'a', black: 'b' })] += 1;
  }
  expect(found.same).toBeGreaterThan(550);
  // Sources in loops and contacts that chatter have no solution; a contact may chatter in time alone.
  expect(found['one of them fails']).toBeLessThan(10);
  expect(found.moves).toBeLessThan(20);
});
