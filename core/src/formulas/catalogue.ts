/** Every formula of the Reckoner, in the order of the bench. */
import type { Formula } from './formula';
import { bandFormula, balanceFormula, leadFormula, sumFormula } from './catalogue/measuring';
import {
  busFormula,
  capacitorFormula,
  dischargeFormula,
  heaterFormula,
  insulationFormula,
  supplyFormula,
  tapFormula,
  twoReadingsFormula,
} from './catalogue/circuits';
import { prefixFormula } from './catalogue/prefixes';
import { motorAmpsFormula } from './catalogue/motors';
import { ntcFormula, ntcInverseFormula, rtdFormula, rtdInverseFormula } from './catalogue/sensors';
import { saturationFormula, subcoolingFormula, superheatFormula } from './catalogue/refrigeration';
import { outageFormula, swapFormula, warrantyFormula } from './catalogue/business';

export const FORMULAS: readonly Formula[] = [
  prefixFormula,
  bandFormula,
  balanceFormula,
  leadFormula,
  supplyFormula,
  busFormula,
  dischargeFormula,
  twoReadingsFormula,
  heaterFormula,
  tapFormula,
  insulationFormula,
  sumFormula,
  motorAmpsFormula,
  capacitorFormula,
  ntcFormula,
  ntcInverseFormula,
  rtdFormula,
  rtdInverseFormula,
  saturationFormula,
  superheatFormula,
  subcoolingFormula,
  warrantyFormula,
  swapFormula,
  outageFormula,
];

export const findFormula = (id: string): Formula | undefined =>
  FORMULAS.find((each) => each.id === id);
