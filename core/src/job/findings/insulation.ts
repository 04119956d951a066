/** How an insulation figure was taken: it means little without its volts, its time and its warmth. */
import { Type, type Static } from '@sinclair/typebox';
import { strict } from '../log/words';

export const insulationSchema = strict({
  volts: Type.Number({ exclusiveMinimum: 0, maximum: 20_000 }),
  /** Seconds until it was read; a minute by custom (IEEE 43). */
  seconds: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 3600 })),
  celsius: Type.Optional(Type.Number({ minimum: -60, maximum: 200 })),
});
export type Insulation = Static<typeof insulationSchema>;

/** `at 500 V, 60 s, 21 °C`. */
export const insulationWords = ({ volts, seconds, celsius }: Insulation): string =>
  [
    `at ${volts} V`,
    seconds !== undefined && `${seconds} s`,
    celsius !== undefined && `${celsius} °C`,
  ]
    .filter(Boolean)
    .join(', ');
