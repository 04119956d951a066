/** What the technician's hands do to the simulated meter: one JSON object a message. */
import { meterFunctionSchema } from '@jeitinho/core';
import type { Placement } from '@jeitinho/core/bench';
import { check, Type } from '@jeitinho/core/validate';

const Name = Type.String({ minLength: 1, maxLength: 170 });
const strict = { additionalProperties: false } as const;

const handMessage = Type.Union([
  Type.Object(
    {
      do: Type.Literal('place'),
      /** The device’s time, ms: its log is written by that clock. */
      at: Type.Number({ minimum: 0, maximum: 1e14 }),
      placement: Type.Object(
        {
          function: meterFunctionSchema,
          red: Type.Optional(Name),
          black: Type.Optional(Name),
          state: Type.Optional(Name),
          phase: Type.Optional(Name),
          observable: Type.Optional(Name),
          lowImpedance: Type.Optional(Type.Boolean()),
        },
        strict,
      ),
    },
    strict,
  ),
  Type.Object({ do: Type.Literal('lift') }, strict),
  Type.Object({ do: Type.Literal('replace-fuse') }, strict),
  Type.Object({ do: Type.Literal('look'), test: Name }, strict),
  Type.Object({ do: Type.Literal('face') }, strict),
]);

export type HandMessage =
  | { readonly do: 'place'; readonly at: number; readonly placement: Placement }
  | { readonly do: 'lift' }
  | { readonly do: 'replace-fuse' }
  | { readonly do: 'look'; readonly test: string }
  | { readonly do: 'face' };

/** @returns a sentence where the message is not as it should be. */
export function readHandMessage(text: string): HandMessage | string {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return 'That message is not JSON.';
  }
  const read = check(handMessage, raw);
  return read.ok ? (read.value as HandMessage) : (read.problems[0]?.message ?? 'not understood');
}
