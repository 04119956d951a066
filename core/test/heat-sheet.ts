/**
 * A heater to reckon by hand: a rail feeds a driver, the driver gives 24 V to an igniter when heat is called
 * for; a plug lies between them, with a joint that comes and goes; a bridge must be good before it runs.
 */
import type { BodyOf } from '../src/surface/job';
import type { Sheet } from '../src/surface/sheet';
import { logWriter, proveDead, smallMeter, smallSheet, volts, type LogWriter } from './small-sheet';

export const heatSheet: Sheet = {
  ...smallSheet,
  id: 'heater',
  title: 'Small heater',
  states: [
    { id: 'dead', energy: 'dead' },
    { id: 'standby', energy: 'live', name: 'standby' },
    {
      id: 'heat',
      energy: 'live',
      name: 'heat called',
      from: 'standby',
      enter: ['Thermostat up.'],
      needs: { access: { plug: 'in' }, passed: ['bridge'] },
      harm: 'machine',
    },
    { id: 'test-mode', energy: 'live', name: 'test mode', from: 'standby', lasts: 90 },
    {
      id: 'fan',
      energy: 'live',
      name: 'fan run',
      from: 'standby',
      needs: { access: { guard: 'in' } },
      harm: 'person',
    },
  ],
  access: [
    { id: 'lid', minutes: 2, name: 'lid off' },
    { id: 'plug', minutes: 1, needs: ['lid'], energy: 'dead', name: 'plug CN1' },
    { id: 'guard', minutes: 1, name: 'fan guard' },
  ],
  tests: [
    {
      id: 'rail',
      title: '5 V rail',
      how: 'measure',
      state: 'standby',
      function: 'V=',
      points: [{ id: '12', red: 'b.CN1.1', black: 'b.CN1.2' }],
      expect: { kind: 'nominal', value: 5, percent: 5, unit: 'V' },
    },
    {
      id: 'out',
      title: 'Igniter volts',
      how: 'measure',
      state: 'heat',
      access: { plug: 'in' },
      function: 'V=',
      points: [{ id: '12', red: 'b.P', black: 'b.N' }],
      expect: { kind: 'nominal', value: 24, percent: 10, unit: 'V' },
      fedBy: ['rail'],
    },
    {
      id: 'mode',
      title: 'In the test mode',
      how: 'measure',
      state: 'test-mode',
      function: 'V=',
      points: [{ id: '12', red: 'b.U', black: 'b.N' }],
      expect: { kind: 'nominal', value: 12, percent: 10, unit: 'V' },
    },
    {
      id: 'track',
      title: 'Rail, a while',
      how: 'measure',
      state: 'heat',
      function: 'V=',
      points: [{ id: '12', red: 'b.V', black: 'b.N' }],
      expect: { kind: 'steady', spread: 0.2, seconds: 5, unit: 'V' },
    },
    {
      id: 'bridge',
      title: 'Bridge',
      how: 'measure',
      state: 'dead',
      function: 'diode',
      points: [{ id: 'U', red: 'b.N', black: 'b.U' }],
      expect: { kind: 'between', low: 0.35, high: 0.6, unit: 'V' },
    },
    {
      id: 'winding',
      title: 'Winding',
      how: 'measure',
      state: 'dead',
      access: { plug: 'out' },
      isolates: ['plug'],
      function: 'ohm',
      points: [{ id: 'UV', red: 'b.U', black: 'b.V' }],
      expect: { kind: 'between', low: 6, high: 8, unit: 'ohm' },
    },
    {
      id: 'plugged-off',
      title: 'Pin, plug off',
      how: 'measure',
      state: 'dead',
      access: { plug: 'out' },
      function: 'diode',
      points: [{ id: 'V', red: 'b.N', black: 'b.V' }],
      expect: { kind: 'between', low: 0.35, high: 0.6, unit: 'V' },
    },
    {
      id: 'shell',
      title: 'Winding to shell',
      how: 'measure',
      state: 'dead',
      contact: 'clears',
      function: 'ohm',
      points: [{ id: 'U', red: 'b.U', black: 'b.N' }],
      expect: { kind: 'open', above: 10e6, unit: 'ohm' },
    },
    {
      id: 'joint',
      title: 'Across the joint',
      how: 'measure',
      state: 'dead',
      function: 'ohm',
      points: [{ id: '1', red: 'b.CN1.1', black: 'b.P' }],
      expect: { kind: 'atMost', high: 1, unit: 'ohm' },
    },
    {
      id: 'glow',
      title: 'Glow',
      how: 'look',
      state: 'heat',
      energy: 'any',
      asks: 'Does it glow?',
      answers: { glows: 'ok', dark: 'dark' },
    },
    {
      id: 'remote',
      title: 'Remote',
      how: 'look',
      state: 'standby',
      energy: 'any',
      means: 'The camera',
      asks: 'Does its diode light in the camera?',
      answers: { lights: 'ok', dark: 'dark' },
    },
    {
      id: 'sensor',
      title: 'Sensor, in the hand',
      how: 'measure',
      state: 'dead',
      offMachine: true,
      function: 'ohm',
      points: [{ id: '1' }],
      expect: { kind: 'between', low: 400, high: 500, unit: 'ohm' },
    },
    {
      id: 'after-look',
      title: 'After the look',
      how: 'look',
      state: 'dead',
      energy: 'any',
      after: ['glow'],
      asks: 'Soot?',
      answers: { clean: 'ok', soot: 'soot' },
    },
  ],
  codes: { schemes: [{ id: 'd', shown: 'digits' }], list: [] },
  symptoms: [
    {
      id: 'cold',
      text: 'Stays cold',
      suspects: { driver: 0.8, igniter: 0.8, joint: 0.8 },
      other: 0.05,
    },
  ],
  faults: [
    {
      id: 'supply',
      name: 'Supply dead',
      part: 'board',
      prior: 1,
      shows: { rail: 'none', out: 'none', glow: 'dark' },
    },
    {
      id: 'driver',
      name: 'Driver dead',
      part: 'board',
      prior: 3,
      shows: { out: 'none', glow: 'dark', track: 'unsteady' },
    },
    { id: 'igniter', name: 'Igniter open', part: 'igniter', prior: 3, shows: { glow: 'dark' } },
    {
      id: 'joint',
      name: 'Joint of CN1 loose',
      prior: 3,
      intermittent: 0.3,
      shows: { joint: { high: 0.5, open: 0.5 }, glow: 'dark', out: 'none' },
    },
    {
      id: 'bridge',
      name: 'Bridge shorted',
      part: 'power',
      prior: 2,
      shows: { bridge: 'short', 'plugged-off': 'short' },
      brings: { driver: 0.3 },
    },
    {
      id: 'turns',
      name: 'Turns shorted',
      part: 'motor',
      prior: 1,
      shows: { winding: { low: 0.8, short: 0.2 } },
    },
    {
      id: 'sensor',
      name: 'Sensor off',
      part: 'sensor',
      prior: 1,
      shows: { sensor: { high: 0.5, low: 0.5 } },
    },
  ],
  parts: [
    { id: 'board', name: 'Control board' },
    { id: 'igniter', name: 'Igniter' },
    { id: 'power', name: 'Power module', on: 'board' },
    { id: 'motor', name: 'Motor', licence: 'refrigerant' },
    { id: 'sensor', name: 'Sensor' },
  ],
  repairs: [
    {
      id: 'reseat',
      name: 'Reseat CN1',
      what: 'reseated',
      fixes: ['joint'],
      price: 0,
      minutes: 5,
      success: 0.8,
    },
  ],
  tries: [{ id: 'cycle', name: 'Power cycle', what: 'reset', cures: { driver: 0.2 } }],
};

/** Opened under the present rules, and proven dead. */
export const openHeat = (more: Partial<BodyOf<'opened'>> = {}): LogWriter => {
  const log = logWriter();
  log.add('opened', { complaint: 'stays cold', meter: smallMeter, rules: 2, ...more });
  return proveDead(log);
};

/** Live, and heat called for where it is asked. */
export function liveHeat(log: LogWriter = openHeat(), state?: string): LogWriter {
  log.add('energised', { precautions: true });
  if (state !== undefined) log.add('window', { state });
  return log;
}

export const read = (
  log: LogWriter,
  test: string,
  value: number | 'OL',
  { point = '12', fn = 'V=' as 'V=' | 'ohm' | 'diode' } = {},
) =>
  log.add('reading', {
    test,
    point,
    function: fn,
    reading: value === 'OL' ? { kind: 'overload' } : volts(value),
    typed: String(value),
    ...(value === 0 && { contact: true as const }),
  });
