/** One device for each element. */
import type { Element } from '../circuit';
import { Capacitor } from './capacitor';
import { ControlledVoltage, CurrentGain, Transconductance } from './controlled';
import type { Device, Unknowns } from './device';
import { Diode } from './diode';
import { Drive } from './drive';
import { Fuse } from './fuse';
import { Inductor } from './inductor';
import { Lead } from './lead';
import { Regulator } from './regulator';
import { Resistor } from './resistor';
import { Sequencer } from './sequencer';
import { CurrentSource, VoltageSource } from './sources';
import { Switch } from './switch';
import { ThermalResistor } from './thermal';
import { Varistor } from './varistor';

/** How many unknowns of its own an element brings, beside its nodes. */
export function ownUnknowns(element: Element): number {
  switch (element.kind) {
    case 'voltage':
    case 'inductor':
    case 'vcvs':
    case 'ccvs':
      return 1;
    case 'diode':
      return element.model.rs > 0 ? 1 : 0;
    default:
      return 0;
  }
}

/** @param through - The branch of a source by name; it exists before what refers to it. */
export function makeDevice(
  element: Exclude<Element, { kind: 'coupling' }>,
  u: Unknowns,
  through: (name: string) => number,
): Device {
  switch (element.kind) {
    case 'resistor':
      return new Resistor(
        element.name,
        u.node(element.nodes[0]),
        u.node(element.nodes[1]),
        element.ohms,
      );
    case 'capacitor':
      return new Capacitor(element, u);
    case 'inductor':
      return new Inductor(element, u);
    case 'voltage':
      return new VoltageSource(element, u);
    case 'current':
      return new CurrentSource(element, u);
    case 'diode':
      return new Diode(element.name, element.nodes, element.model, u);
    case 'switch':
      return new Switch(element, u);
    case 'sequencer':
      return new Sequencer(element, u);
    case 'fuse':
      return new Fuse(element, u);
    case 'varistor':
      return new Varistor(element, u);
    case 'ntc':
    case 'rtd':
      return new ThermalResistor(element, u);
    case 'vcvs':
    case 'ccvs':
      return new ControlledVoltage(element, u, through);
    case 'vccs':
      return new Transconductance(element, u);
    case 'cccs':
      return new CurrentGain(element, u, through);
    case 'regulator':
      return new Regulator(element, u);
    case 'lead':
      return new Lead(element, u);
    case 'drive':
      return new Drive(element, u);
  }
}
