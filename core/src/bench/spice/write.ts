/** SPICE netlists out: what {@link readNetlist} reads back as the same circuit. */
import type { Analysis, Circuit, Condition, Element, Temperature, Wave } from '../circuit';
import { writeNumber as figure } from './number';

/** Subcircuits are written flat; names with dots stay. */
export function writeNetlist(circuit: Circuit): string {
  const models = new Map<string, string>();
  const model = (text: string): string => {
    const known = models.get(text);
    if (known) return known;
    const name = `m${models.size + 1}`;
    models.set(text, name);
    return name;
  };
  const names = new Map(circuit.elements.map((element) => [element.name, written(element)]));
  const body = circuit.elements.flatMap((element) => lines(element, names, model));
  return [
    circuit.title,
    ...body,
    ...[...models].map(([text, name]) => `.model ${name} ${text}`),
    ...circuit.ratings.map(({ node, volts }) => `*@ rated ${node} ${figure(volts)}`),
    ...circuit.analyses.map(analysis),
    '.end',
    '',
  ].join('\n');
}

const LETTER: Record<Exclude<Element['kind'], 'drive' | 'lead'>, string> = {
  resistor: 'r',
  fuse: 'r',
  varistor: 'r',
  ntc: 'r',
  rtd: 'r',
  capacitor: 'c',
  inductor: 'l',
  voltage: 'v',
  current: 'i',
  diode: 'd',
  switch: 's',
  sequencer: 's',
  vcvs: 'e',
  regulator: 'e',
  vccs: 'g',
  cccs: 'f',
  ccvs: 'h',
  coupling: 'k',
};

/** A flattened name (`x1.r2`) must begin with its element's letter to be read again. */
function written({ kind, name }: Element): string {
  const letter = kind === 'drive' ? 'i' : kind === 'lead' ? 'r' : LETTER[kind];
  return name.startsWith(letter) ? name : `${letter}_${name}`;
}

function lines(
  element: Element,
  names: ReadonlyMap<string, string>,
  model: (text: string) => string,
): string[] {
  const name = names.get(element.name)!;
  if (element.kind === 'coupling')
    return [
      `${name} ${element.coils.map((coil) => names.get(coil)).join(' ')} ${figure(element.k)}`,
    ];
  const head = `${name} ${element.nodes.join(' ')}`;
  switch (element.kind) {
    case 'resistor':
      return [`${head} ${figure(element.ohms)}`];
    case 'capacitor':
      return [`${head} ${figure(element.farads)}${initial(element.initial)}`];
    case 'inductor':
      return [`${head} ${figure(element.henries)}${initial(element.initial)}`];
    case 'voltage':
    case 'current': {
      const { magnitude, phase } = element.ac;
      const ac = magnitude || phase ? ` ac ${figure(magnitude)} ${figure(phase)}` : '';
      return [`${head} ${wave(element.wave)}${ac}`];
    }
    case 'diode': {
      const { is, n, rs, bv, ibv } = element.model;
      const breakdown = Number.isFinite(bv) ? ` bv=${figure(bv)} ibv=${figure(ibv)}` : '';
      return [
        `${head} ${model(`d(is=${figure(is)} n=${figure(n)} rs=${figure(rs)}${breakdown})`)}`,
      ];
    }
    case 'switch': {
      const { vt, vh, ron, roff } = element.model;
      const kind = model(
        `sw(vt=${figure(vt)} vh=${figure(vh)} ron=${figure(ron)} roff=${figure(roff)})`,
      );
      const on = element.on === undefined ? '' : element.on ? ' on' : ' off';
      return [
        `${head} ${element.control.join(' ')} ${kind}${on}`,
        ...(element.hold === undefined ? [] : [`*@ relay ${name} hold=${figure(element.hold)}`]),
      ];
    }
    case 'sequencer': {
      const { ron, roff, when, after, until, lasts } = element;
      return [
        `${head} ${when.plus} ${when.minus} ${model(`sw(vt=0 vh=0 ron=${figure(ron)} roff=${figure(roff)})`)}`,
        [
          `*@ sequencer ${name} when=${condition(when)} after=${figure(after)}`,
          until && `until=${condition(until)}`,
          lasts !== undefined && `for=${figure(lasts)}`,
        ]
          .filter(Boolean)
          .join(' '),
      ];
    }
    case 'fuse':
      return [
        `${head} ${figure(element.ohms)}`,
        `*@ fuse ${name} hold=${figure(element.hold)} i2t=${figure(element.i2t)}`,
      ];
    case 'varistor':
      return [
        `${head} ${figure(element.ohms)}`,
        `*@ varistor ${name} volts=${figure(element.volts)} alpha=${figure(element.alpha)}`,
      ];
    case 'ntc':
      return [
        `${head} ${figure(element.r25)}`,
        `*@ ntc ${name} r25=${figure(element.r25)} beta=${figure(element.beta)} temp=${celsius(element.celsius)}`,
      ];
    case 'rtd':
      return [
        `${head} ${figure(element.r0)}`,
        `*@ rtd ${name} r0=${figure(element.r0)} temp=${celsius(element.celsius)}`,
      ];
    case 'vcvs':
      return [`${head} ${element.control.join(' ')} ${figure(element.gain)}`];
    case 'vccs':
      return [`${head} ${element.control.join(' ')} ${figure(element.siemens)}`];
    case 'cccs':
      return [`${head} ${names.get(element.through)} ${figure(element.gain)}`];
    case 'ccvs':
      return [`${head} ${names.get(element.through)} ${figure(element.ohms)}`];
    case 'regulator': {
      const { input, volts, dropout, limit, ohms, ratio, enable } = element;
      return [
        `${head} ${input.join(' ')} 1`,
        `*@ regulator ${name} volts=${figure(volts)} dropout=${figure(dropout)} limit=${figure(limit)} ohms=${figure(ohms)} ratio=${figure(ratio)}${enable ? ` enable=${condition(enable)}` : ''}`,
      ];
    }
    case 'lead':
      return element.down ? [`${head} ${figure(element.ohms)}`] : [];
    case 'drive':
      // Belongs to a meter, never to a netlist; a plain source is the nearest that SPICE has.
      return [`${name} ${element.nodes[1]} ${element.nodes[0]} ${figure(element.amps)}`];
    default:
      element satisfies never;
      return [];
  }
}

const initial = (value: number | undefined) => (value === undefined ? '' : ` ic=${figure(value)}`);
const condition = ({ plus, minus, sense, level }: Condition) =>
  `v(${plus},${minus})${sense === 'above' ? '>' : '<'}${figure(level)}`;
const celsius = (value: Temperature) =>
  typeof value === 'number' ? figure(value) : `v(${value.node})`;

function wave(source: Wave): string {
  switch (source.kind) {
    case 'dc':
      return `dc ${figure(source.value)}`;
    case 'sin': {
      const { offset, amplitude, hertz, delay, damping, phase } = source;
      return `sin(${[offset, amplitude, hertz, delay, damping, phase].map(figure).join(' ')})`;
    }
    case 'pulse': {
      const { low, high, delay, rise, fall, width, period } = source;
      const times = [low, high, delay, rise, fall, width, period];
      return `pulse(${times
        .slice(0, times.findIndex((t) => !Number.isFinite(t)) >>> 0)
        .map(figure)
        .join(' ')})`;
    }
    case 'pwl':
      return `pwl(${source.points.flat().map(figure).join(' ')})`;
  }
}

function analysis(each: Analysis): string {
  switch (each.kind) {
    case 'op':
      return '.op';
    case 'tran': {
      const more =
        each.most !== undefined
          ? ` ${figure(each.start)} ${figure(each.most)}`
          : each.start > 0
            ? ` ${figure(each.start)}`
            : '';
      return `.tran ${figure(each.step)} ${figure(each.stop)}${more}${each.uic ? ' uic' : ''}`;
    }
    case 'ac':
      return `.ac ${each.sweep} ${each.points} ${figure(each.from)} ${figure(each.to)}`;
  }
}
