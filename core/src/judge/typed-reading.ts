/** What was typed, as the reading it is kept as. */
import type { TypedEntry } from '../units/entry';
import type { Reading } from './reading';

/** @returns undefined for what is no reading: nothing typed, left out, or not understood. */
export function typedReading(parsed: TypedEntry): Reading | undefined {
  switch (parsed.kind) {
    case 'value': {
      const { value, climb, peak } = parsed;
      return { kind: 'value', value, ...(climb && { climb }), ...(peak && { peak }) };
    }
    case 'span': {
      const { low, high } = parsed;
      // The end farther from 0 comes first: it is the one that harms.
      return Math.abs(high) >= Math.abs(low)
        ? { kind: 'value', value: high, to: low }
        : { kind: 'value', value: low, to: high };
    }
    case 'overload':
      return { kind: 'overload', ...(parsed.climb && { climb: parsed.climb }) };
    case 'tone':
    case 'silence':
      return { kind: parsed.kind };
    case 'not-taken':
    case 'empty':
    case 'error':
      return undefined;
  }
}
