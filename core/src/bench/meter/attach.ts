/** The instrument as part of the circuit: leads, and behind them what its function puts between them. */
import type { Element } from '../elements/index';
import { LEAD_OHMS } from './bench-meter';

/** Names that no netlist can have. */
export const METER = {
  red: 'meter#red',
  black: 'meter#black',
  drive: 'meter#drive',
  burden: 'meter#burden',
  sense: 'meter#sense',
} as const;

/** Two leads to the nodes touched. */
export const leads = (red: string, black: string): Element[] => [
  { kind: 'resistor', name: 'meter#lead-red', nodes: [red, METER.red], ohms: LEAD_OHMS },
  { kind: 'resistor', name: 'meter#lead-black', nodes: [black, METER.black], ohms: LEAD_OHMS },
];

/** Leads lifted off every node that they may be laid on later. */
export const movableLeads = (nodes: Iterable<string>): Element[] =>
  [...new Set(nodes)].flatMap((node) =>
    [METER.red, METER.black].map((jack): Element => ({
      kind: 'lead',
      name: `${jack} on ${node}`,
      nodes: [node, jack],
      ohms: LEAD_OHMS,
      down: false,
    })),
  );

export const burden = (ohms: number): Element => ({
  kind: 'resistor',
  name: METER.burden,
  nodes: [METER.red, METER.black],
  ohms,
});

/** Current out of the red jack. */
export const drive = (amps: number, volts: number): Element => ({
  kind: 'drive',
  name: METER.drive,
  nodes: [METER.red, METER.black],
  amps,
  volts,
});

/** A shunt, the fuse's own ohms in it; its current is what is read. */
export const shunt = (ohms: number): Element[] => [burden(ohms + 0.01)];

/** The true-RMS converter falls off above its bandwidth. It listens behind a buffer, and loads nothing. */
export const converter = (hertz: number): Element[] => {
  const ohms = 1e6;
  const buffered = 'meter#buffered';
  return [
    {
      kind: 'vcvs',
      name: 'meter#buffer',
      nodes: [buffered, METER.black],
      control: [METER.red, METER.black],
      gain: 1,
    },
    { kind: 'resistor', name: 'meter#series', nodes: [buffered, METER.sense], ohms },
    {
      kind: 'capacitor',
      name: 'meter#roll-off',
      nodes: [METER.sense, METER.black],
      farads: 1 / (2 * Math.PI * hertz * ohms),
    },
  ];
};
