/** What the formulas of refrigeration share. */
import { choice, number } from '../../define-formula';
import type { FormulaRemark } from '../../formula';
import { airPressure } from '../../refrigeration';
import { REFRIGERANT_NAMES } from '../../refrigerants';

export const fluidChoice = choice(
  'Refrigerant',
  REFRIGERANT_NAMES.map((name) => ({ value: name, label: name })),
  'R-410A',
);

export const altitude = number('Altitude of the site', 'altitude', 0, { min: -400, max: 5000 });

/** Pa, from a gauge at an altitude. */
export const absolutePressure = ({
  gauge,
  altitude: metres,
}: {
  readonly gauge: number;
  readonly altitude: number;
}): number => gauge + airPressure(metres);

export const LICENCE: FormulaRemark = {
  label: 'Mind',
  text: 'gauges on a circuit are work for licensed hands; recover, do not vent',
  tone: 'mind',
};
