/** Every formula of the Reckoner, in the order of the bench. */
import type { Formula } from '../formula';
import { balance } from './balance';
import { band } from './band';
import { bus } from './bus';
import { capacitor } from './capacitor';
import { discharge } from './discharge';
import { heater } from './heater';
import { insulation } from './insulation';
import { lead } from './lead-zero';
import { motorAmps } from './motor-amps';
import { ntc } from './ntc';
import { ntcInverse } from './ntc-inverse';
import { outage } from './outage';
import { prefix } from './prefixes';
import { rtd } from './rtd';
import { rtdInverse } from './rtd-inverse';
import { saturation } from './saturation';
import { subcooling } from './subcooling';
import { sum } from './sum-rule';
import { superheat } from './superheat';
import { supply } from './supply';
import { swap } from './swap';
import { tap } from './tap';
import { twoReadings } from './two-readings';
import { warranty } from './warranty';

export const FORMULAS: readonly Formula[] = [
  prefix,
  band,
  balance,
  lead,
  supply,
  bus,
  discharge,
  twoReadings,
  heater,
  tap,
  insulation,
  sum,
  motorAmps,
  capacitor,
  ntc,
  ntcInverse,
  rtd,
  rtdInverse,
  saturation,
  superheat,
  subcooling,
  warranty,
  swap,
  outage,
];

export const findFormula = (id: string): Formula | undefined =>
  FORMULAS.find((each) => each.id === id);
