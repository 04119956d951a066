/** What the formulas of temperature sensors share. */
import type { Curve } from '../../../curves/schema';
import { InvalidInputError } from '../../../errors';
import { choice, number } from '../../define-formula';

export const ntcOf = ({ r25, beta }: { readonly r25: number; readonly beta: number }): Curve => ({
  id: 'ntc',
  kind: 'ntc-beta',
  r25,
  beta,
});

export const NTC_INPUTS = {
  r25: number('Resistance at 25 °C', 'resistance', 10_000, { min: 1 }),
  beta: number('Beta', 'count', 3435, { min: 500, max: 10_000, hint: 'kelvin' }),
};

export const NTC = {
  group: 'sensors',
  relation: 'R = R₂₅ · e^(β·(1/T − 1/298.15)), T in kelvin',
  source: 'Beta equation of NTC thermistors',
} as const;

export const PLATINUM = {
  group: 'sensors',
  relation: 'R = R₀ · (1 + A·t + B·t² + C·(t − 100)·t³), C below 0 °C only',
  source: 'IEC 60751:2022, Callendar–Van Dusen',
} as const;

export const platinumChoice = choice(
  'Sensor',
  [
    { value: 'rtd-pt100', label: 'Pt100' },
    { value: 'rtd-pt1000', label: 'Pt1000' },
  ],
  'rtd-pt1000',
);

export const platinumOf = ({ kind }: { readonly kind: 'rtd-pt100' | 'rtd-pt1000' }): Curve => ({
  id: 'rtd',
  kind,
});

export const finite = (value: number): number => {
  if (!Number.isFinite(value))
    throw new InvalidInputError('the sensor’s curve does not reach there');
  return value;
};
