/** One step of proving a machine dead, as it is written down. */
import { Type, type Static } from '@sinclair/typebox';
import { findPair } from '../../conditions/pairs';
import { sourceName, SOURCES } from '../../conditions/sources';
import { METER_FUNCTIONS } from '../../meter/functions';
import { words } from '../../schema-words';
import type { Sheet } from '../../sheet/schema';
import { formatQuantity } from '../../units/format';
import type { LoggedEntry } from '../log/entry';
import { figureSchema, strict, Typed } from '../log/words';

/** Steps of proving a machine dead. */
export const SAFE_STEPS = ['isolated', 'meter', 'pair'] as const;
/** Those of logs from before every pair was proven with its figures: they prove nothing any more. */
export const OLD_SAFE_STEPS = ['meter-proved', 'bus', 'meter-reproved'] as const;

export const safeStepSchema = strict({
  step: words([...SAFE_STEPS, ...OLD_SAFE_STEPS]),
  /** Which pair of the sheet was measured. */
  pair: Type.Optional(Type.String({ minLength: 1, maxLength: 400 })),
  /** Where the dial stood. */
  function: Type.Optional(words(['V~', 'V='])),
  /** What the meter was held to. */
  source: Type.Optional(
    strict({
      kind: words(SOURCES),
      volts: Type.Optional(
        Type.Number({ minimum: 10, maximum: 1500, description: 'Mark of a proving unit.' }),
      ),
    }),
  ),
  reading: Type.Optional(figureSchema),
  typed: Type.Optional(Typed),
  /** The figure came off a connected meter, not off the keys. */
  live: Type.Optional(Type.Literal(true)),
  /** Of the simulated meter, off a machine that is none. */
  simulated: Type.Optional(Type.Literal(true)),
});
export type SafeStep = Static<typeof safeStepSchema>;
export type SafeEntry = LoggedEntry & { readonly body: SafeStep };

/** One step with its figure, its function and its limit. */
export function safeWords(body: SafeStep, sheet: Sheet): string {
  const { step, reading, function: fn, source, live, simulated } = body;
  const figure = !reading
    ? 'no figure'
    : reading.kind === 'overload'
      ? 'OL'
      : formatQuantity(reading.value, 'V');
  const dial = fn ? ` on ${METER_FUNCTIONS[fn].words}` : '';
  const by = simulated ? ', simulated' : live ? ', off the connected meter' : '';
  switch (step) {
    case 'isolated':
      return 'Supply isolated and locked off';
    case 'meter':
      return `Meter held to ${source ? sourceName(source) : 'a source'}${dial}: ${figure}${by}`;
    case 'pair': {
      const pair = body.pair === undefined ? undefined : findPair(sheet, body.pair);
      const limit = pair ? ` (dead below ${formatQuantity(pair.deadBelow, 'V')})` : '';
      return `${pair?.name ?? body.pair ?? 'Pair'}${dial}: ${figure}${limit}${by}`;
    }
    case 'bus':
      return `Bus measured: ${figure} (before pairs were proven: no proof)`;
    case 'meter-proved':
    case 'meter-reproved':
      return 'Meter said to be proven, without its figure: no proof';
    default:
      step satisfies never;
      return '';
  }
}
