/** Curves of temperature sensors, as a sheet states them. */
import { Type, type Static } from '@sinclair/typebox';

const Id = Type.String({ minLength: 1, maxLength: 80, pattern: '^[A-Za-z0-9][A-Za-z0-9._+-]*$' });

export const curveSchema = Type.Union([
  Type.Object({
    id: Id,
    kind: Type.Literal('ntc-beta'),
    r25: Type.Number({ exclusiveMinimum: 0, description: 'Ohms at 25 °C.' }),
    beta: Type.Number({ exclusiveMinimum: 0, description: 'Kelvin.' }),
  }),
  Type.Object({ id: Id, kind: Type.Literal('rtd-pt100') }),
  Type.Object({ id: Id, kind: Type.Literal('rtd-pt1000') }),
  Type.Object({
    id: Id,
    kind: Type.Literal('table'),
    points: Type.Array(Type.Tuple([Type.Number(), Type.Number({ exclusiveMinimum: 0 })]), {
      minItems: 2,
      maxItems: 500,
      description: 'Pairs of °C and ohms, by rising temperature.',
    }),
  }),
]);
export type Curve = Static<typeof curveSchema>;
