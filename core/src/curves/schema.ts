/** Curves of temperature sensors, as a sheet states them. */
import { Type, type Static } from '@sinclair/typebox';
import { Id, presence } from '../schema-words';

export const curveSchema = Type.Union([
  Type.Object({
    ...presence,
    id: Id,
    kind: Type.Literal('ntc-beta'),
    r25: Type.Number({ exclusiveMinimum: 0, description: 'Ohms at 25 °C.' }),
    beta: Type.Number({ exclusiveMinimum: 0, description: 'Kelvin.' }),
  }),
  Type.Object({ ...presence, id: Id, kind: Type.Literal('rtd-pt100') }),
  Type.Object({ ...presence, id: Id, kind: Type.Literal('rtd-pt1000') }),
  Type.Object({
    ...presence,
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
