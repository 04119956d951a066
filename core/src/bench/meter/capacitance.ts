/** Capacitance by charging: the time that a known current takes to a known voltage. */
import type { MeterProfile } from '../../meter/profile';
import { rangesOf } from '../../meter/profile';
import type { Circuit } from '../circuit';
import type { Drive } from '../elements/drive';
import { System } from '../solve/system';
import { runTransient } from '../solve/transient';
import { drive, METER } from './attach';
import { BENCH_METER, CHARGE_TIME, CHARGE_TO, OHMS_OPEN } from './bench-meter';

/**
 * @param base - The circuit with the leads on it, at rest and without voltage.
 * @returns farads; infinite where no range reaches its voltage in time, as on a short.
 */
export function chargeReading(
  base: Circuit,
  { meter = BENCH_METER, air, at = 0 }: { meter?: MeterProfile; air?: number; at?: number },
): number {
  const system = new System(
    { ...base, elements: [...base.elements, drive(0, OHMS_OPEN)] },
    { air: air ?? 1e-12 },
  );
  const source = system.device(METER.drive) as Drive;
  const input = () => system.voltsAt(METER.red) - system.voltsAt(METER.black);
  for (const { upTo } of rangesOf(meter, 'capacitance')) {
    const amps = (upTo * CHARGE_TO) / CHARGE_TIME;
    source.set(0, OHMS_OPEN);
    system.operatingPoint(at, { settled: false });
    source.set(amps, OHMS_OPEN);
    const from = input();
    let before = { t: at, v: from };
    let took: number | undefined;
    runTransient(
      system,
      { from: at, to: at + CHARGE_TIME * 1.02, most: CHARGE_TIME / 100 },
      (t) => {
        const v = input();
        if (v - from >= CHARGE_TO) {
          const share = (from + CHARGE_TO - before.v) / (v - before.v);
          took = before.t + (t - before.t) * share - at;
          return false;
        }
        before = { t, v };
        return true;
      },
    );
    if (took !== undefined) return (amps * took) / CHARGE_TO;
  }
  return Infinity;
}
