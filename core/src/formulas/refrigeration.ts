/** Superheat and subcooling, gauge pressures and altitude. SI: Pa, °C, m. */
import { saturationTemperature, type Refrigerant } from './refrigerants';

/** Standard atmosphere at sea level, Pa. */
export const SEA_LEVEL = 101_325;

/**
 * Air pressure at an altitude, Pa, by the international standard atmosphere (ISO 2533):
 * p = p₀·(1 − 2.25577·10⁻⁵·h)^5.25588, below 11 km.
 */
export const airPressure = (metres: number): number =>
  SEA_LEVEL * (1 - 2.25577e-5 * metres) ** 5.25588;

/** Superheat, K: pipe temperature less the **dew** temperature at suction pressure. */
export const superheat = (fluid: Refrigerant, absolutePa: number, pipe: number): number =>
  pipe - saturationTemperature(fluid, 'dew', absolutePa);

/** Subcooling, K: the **bubble** temperature at liquid pressure less the pipe temperature. */
export const subcooling = (fluid: Refrigerant, absolutePa: number, pipe: number): number =>
  saturationTemperature(fluid, 'bubble', absolutePa) - pipe;
