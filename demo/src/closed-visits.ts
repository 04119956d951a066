/**
 * Finished visits. Among them: the same failure twice on one roof, a warranty case, a substitute board
 * gone wrong and the callback that found it.
 */
import { id } from './ids';
import type { DemoJob } from './types';
import { meters } from './meters';
import { units } from './units';
import { VisitLog, type VisitHead } from './visit';

const DAVI = 'Davi Moura';
const LIA = 'Lia Torres';

const start = (
  head: Omit<VisitHead, 'meter' | 'unitId' | 'sheetId'> & { unit: keyof typeof units },
) => {
  const unit = units[head.unit];
  if (unit.sheetId === null) throw new Error(`${head.unit} has no sheet to work by`);
  return new VisitLog({ ...head, unitId: unit.id, sheetId: unit.sheetId, meter: meters[0]! });
};

/** Twelve readings of a bridge; the named leg is shorted both ways. */
function bridge(
  visit: VisitLog,
  test: string,
  legs: readonly string[],
  shorted?: string,
): VisitLog {
  const drop = (i: number) => 0.44 + (i % 3) * 0.004;
  legs.forEach((leg, i) => visit.read(test, `${leg}-P`, drop(i)));
  legs.forEach((leg, i) => visit.read(test, `N-${leg}`, leg === shorted ? 0.002 : drop(i + 1)));
  legs.forEach((leg) => visit.read(test, `P-${leg}`, 'OL'));
  legs.forEach((leg) => visit.read(test, `${leg}-N`, leg === shorted ? 0.002 : 'OL'));
  return visit;
}

/** Written when they are asked for: each is folded and judged as it goes. */
export const closedVisits = (): readonly DemoJob[] => [
  start({
    jobId: 34,
    entriesFrom: 400,
    unit: 'fridge',
    openedAt: '2026-08-11T12:04:00.000Z',
    complaint: 'Freezes the milk on the top shelf, then shows 31.',
    author: DAVI,
  })
    .arrive('Ice on the back wall. Door seal good.')
    .code('31')
    .dead(1.8)
    .access('rear-cover', 'inv-cover')
    .answer('board-looks', 'clean')
    .access('cn7-off')
    .read('cab-sensor', '12', 11_840)
    .read('cab-sensor', '12', 11_910)
    .decide('sensor')
    .sign('Íris Candeia', 'Sensor on the van, fitted at once.'),

  bridge(
    start({
      jobId: 161,
      entriesFrom: 1000,
      unit: 'rooftop1',
      openedAt: '2026-05-18T10:10:00.000Z',
      complaint: 'Tripped at dawn and stays down. 47 1 on the display.',
      author: DAVI,
    })
      .arrive('Breaker holds. Fins full of lint.')
      .code('47 1')
      .dead(3.4)
      .access('lid', 'inv-lid', 'motor-off')
      .answer('inv-looks', 'burnt or cracked')
      .answer('heatsink', 'fins blocked'),
    'igbt',
    ['U', 'V', 'W'],
    'V',
  )
    .read('windings', 'UV', 1.92)
    .read('windings', 'VW', 1.9)
    .read('windings', 'WU', 1.93)
    .decide('inv-board')
    .sign(
      'Joana Lume',
      'Under warranty until 2027-09-30: claim sent with the readings. Fins cleaned.',
      [{ id: id(1901), what: 'other', inDays: -1, note: 'ask the maker what became of the claim' }],
    ),

  bridge(
    start({
      jobId: 162,
      entriesFrom: 1100,
      unit: 'rooftop3',
      openedAt: '2026-08-24T09:30:00.000Z',
      complaint: 'Same as unit 1 in May: dead since dawn, 47 3.',
      author: LIA,
    })
      .arrive('Two of three units on this roof in four months. Supply at dawn not looked at.')
      .code('47 3')
      .dead(2.9)
      .access('lid', 'inv-lid', 'motor-off')
      .answer('inv-looks', 'clean')
      .answer('heatsink', 'free, paste whole'),
    'igbt',
    ['U', 'V', 'W'],
    'U',
  )
    .read('windings', 'UV', 1.9)
    .read('windings', 'VW', 1.91)
    .read('windings', 'WU', 1.9)
    .decide('inv-board')
    .sign(
      'Joana Lume',
      'Second board on this roof. Ask the electrician to log the supply at dawn.',
      [
        {
          id: id(1902),
          what: 'send-back',
          inDays: 5,
          part: 'inv-board',
          note: 'old board, for the claim',
        },
        { id: id(1903), what: 'visit', inDays: 12, note: 'read the log of the supply' },
      ],
    ),

  start({
    jobId: 163,
    entriesFrom: 1200,
    unit: 'heatPump',
    openedAt: '2026-06-09T11:00:00.000Z',
    complaint: 'Outside coil a block of ice in the cold week.',
    author: LIA,
  })
    .arrive()
    .live()
    .answer('coil-looks', 'solid ice')
    .access('panel')
    .answer('led', 'slow blink')
    .read('v24', 'RC', 25.1)
    .read('valve-volts', '12', 0.1)
    .decide('defrost')
    .sign('Tomás Quintela', 'Substitute board on the van, fitted the same day.'),

  start({
    jobId: 164,
    entriesFrom: 1300,
    unit: 'heatPump',
    openedAt: '2026-07-14T13:20:00.000Z',
    complaint: 'Callback: since the new board it blows cold when it should heat.',
    author: DAVI,
  })
    .arrive('Substitute board from June. Nobody had moved the wires by a map.')
    .dead(0.8)
    .access('panel')
    .variant('board', 'a substitute, blue')
    .answer('map', 'one or more differ')
    .live()
    .read('calls', 'Y', 25)
    .read('calls', 'O', 24.8)
    .decide('wiring')
    .sign('Tomás Quintela', 'O and B changed places. No charge: our mistake.'),

  start({
    jobId: 165,
    entriesFrom: 1400,
    unit: 'furnace',
    openedAt: '2026-06-02T08:15:00.000Z',
    complaint: 'No heat in the gym, six blinks.',
    author: LIA,
  })
    .arrive()
    .code('6')
    .dead(0.2)
    .access('door', 'p2-off')
    .read('igniter', 'P2', 'OL')
    .read('igniter-joint', 'J', 'OL')
    .decide('igniter')
    .sign('Rute Salgueiro', 'Igniter broken at its foot. Five starts watched.', [
      { id: id(1904), what: 'parts', inDays: 2, part: 'harness', note: 'spare for the van' },
    ]),

  start({
    jobId: 166,
    entriesFrom: 1500,
    unit: 'wallSplit',
    openedAt: '2025-12-03T14:40:00.000Z',
    complaint: 'Dead after the storm.',
    author: DAVI,
  })
    .arrive('Lightning in the valley last night.')
    .code(null)
    .dead(1.1)
    .access('front', 'box')
    .answer('board-looks', 'varistor burst')
    .read('fuse', 'F1', 'OL')
    .read('varistor', 'RV', 3.2)
    .decide('board')
    .sign('Clara Sarmento', 'Fuse and varistor replaced on the board; the rest read sound.'),

  start({
    jobId: 167,
    entriesFrom: 1600,
    unit: 'oven',
    openedAt: '2026-03-21T05:30:00.000Z',
    complaint: 'Bread pale underneath.',
    author: LIA,
  })
    .arrive()
    .dead(0.3)
    .access('side', 'el-off')
    .read('elements', 'upper', 21.4)
    .read('elements', 'lower', 'OL')
    .decide('element-lower')
    .sign('Bento Forno', 'Element on the van. Both decks brown evenly.'),
];
