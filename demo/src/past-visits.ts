/**
 * Years of finished visits with their repairs proven: what a shop remembers and learns from. Three machines come
 * again and again: the roof of the inn, whose boards die at dawn; the bakery's oven and its elements; the school's
 * furnace and its igniter.
 */
import type { MeterProfile } from '@jeitinho/core';
import { meters } from './meters';
import type { DemoJob } from './types';
import { units } from './units';
import { VisitLog } from './visit';

const [HOUSE_METER, , INSULATION_TESTER] = meters as [MeterProfile, MeterProfile, MeterProfile];

const DAVI = 'Davi Moura';
const LIA = 'Lia Torres';
const RUTE = 'Rute Sabiá';

/** Ids of these jobs and their entries, apart from all others of the demo world. */
const FIRST_JOB = 300;
const FIRST_ENTRY = 10_000;
const ENTRIES_EACH = 100;

type Unit = keyof typeof units;
let made = 0;

const begin = (unit: Unit, day: string, complaint: string, author: string): VisitLog => {
  const { id: unitId, sheetId } = units[unit];
  if (sheetId === null) throw new Error(`${unit} has no sheet to work by`);
  made += 1;
  return new VisitLog({
    ...{ jobId: FIRST_JOB + made, entriesFrom: FIRST_ENTRY + made * ENTRIES_EACH },
    ...{ unitId, sheetId, openedAt: `${day}T11:30:00.000Z`, complaint, author },
    meter: HOUSE_METER,
    counted: true,
  });
};

const BRIDGE = ['U', 'V', 'W'] as const;

/** A rooftop unit whose bridge has a shorted leg, or none; its insulation as it was that day. */
function roof(
  unit: Unit,
  day: string,
  { author, leg, megohms, code }: { author: string; leg?: string; megohms: number; code: string },
): VisitLog {
  const visit = begin(unit, day, `Dead since dawn, ${code} on the display.`, author)
    .arrive()
    .code(code)
    .dead(3.1)
    .access('lid', 'inv-lid', 'motor-off')
    .answer('inv-looks', 'clean')
    .answer('heatsink', 'free, paste whole');
  const drop = (i: number) => 0.446 + (i % 3) * 0.003;
  BRIDGE.forEach((each, i) => visit.read('igbt', `${each}-P`, drop(i)));
  BRIDGE.forEach((each, i) => visit.read('igbt', `N-${each}`, each === leg ? 0.002 : drop(i + 1)));
  BRIDGE.forEach((each) => visit.read('igbt', `P-${each}`, 'OL'));
  BRIDGE.forEach((each) => visit.read('igbt', `${each}-N`, each === leg ? 0.002 : 'OL'));
  for (const [i, point] of ['UV', 'VW', 'WU'].entries())
    visit.read('windings', point, 1.9 + i * 0.01);
  return visit
    .meter(INSULATION_TESTER)
    .read('insulation', 'F', megohms * 1e6)
    .meter(HOUSE_METER);
}

const board = (
  unit: Unit,
  day: string,
  author: string,
  leg: string,
  megohms: number,
  batch: string,
) =>
  roof(unit, day, { author, leg, megohms, code: `47 ${unit.at(-1)}` })
    .decide('inv-board')
    .fitPart('inv-board', { batch, supplier: 'Peças do Vale' })
    .prove()
    .sign('Joana Lume', 'Board changed, paste renewed. Runs at full demand.');

const oven = (day: string, author: string, which: 'upper' | 'lower'): DemoJob =>
  begin('oven', day, which === 'upper' ? 'Tops stay white.' : 'Bread pale underneath.', author)
    .arrive()
    .dead(0.3)
    .access('side', 'el-off')
    .answer('board-looks', 'clean')
    .read('elements', 'upper', which === 'upper' ? 'OL' : 21.8)
    .read('elements', 'lower', which === 'lower' ? 'OL' : 22.3)
    .meter(INSULATION_TESTER)
    .read('element-frame', 'upper', 34e6)
    .read('element-frame', 'lower', 41e6)
    .meter(HOUSE_METER)
    .decide(`element-${which}`)
    .fitPart(`element-${which}`, { supplier: 'Resistências Cedro' })
    .prove()
    .sign('Bento Forno', 'Element on the van. Both decks brown evenly.');

/** By what it does alone: half the time the element, and sometimes the board behind it. */
const ovenByEye = (day: string, author: string, part: 'element-lower' | 'board'): DemoJob =>
  begin('oven', day, 'The lower deck stays cold.', author)
    .arrive('No time before the dough: by eye, and a part on the van.')
    .live()
    .answer('heat', 'upper only')
    .dead(0.3)
    .access('side')
    .decide(part, part === 'board' ? 'Its relay did not click.' : '')
    .fitPart(part, { supplier: 'Resistências Cedro' })
    .prove()
    .sign('Bento Forno', 'Both decks heat.');

/** Igniters read higher from year to year before they break. */
const furnace = (day: string, author: string, ohms: number | 'OL'): DemoJob =>
  begin('furnace', day, 'No heat in the gym, six blinks.', author)
    .arrive()
    .code('6')
    .dead(0.2)
    .access('door', 'p2-off')
    .read('igniter', 'P2', ohms)
    .read('igniter-joint', 'J', ohms)
    .decide('igniter', 'It is the one that breaks.')
    .fitPart('igniter', { supplier: 'Peças do Vale' })
    .prove()
    .sign('Rute Salgueiro', 'Igniter changed. Five starts watched.');

let visits: readonly DemoJob[] | undefined;

/** The oldest first. Written when they are asked for: they take a moment. */
export function pastVisits(): readonly DemoJob[] {
  made = 0;
  visits ??= [
    furnace('2020-11-09', LIA, 'OL'),
    oven('2021-02-17', LIA, 'lower'),
    ovenByEye('2021-05-26', DAVI, 'element-lower'),
    oven('2021-09-30', DAVI, 'upper'),
    furnace('2022-01-24', DAVI, 118),
    ovenByEye('2022-03-02', LIA, 'board'),
    oven('2022-06-08', LIA, 'lower'),
    ovenByEye('2022-10-19', LIA, 'element-lower'),
    board('rooftop1', '2023-02-06', DAVI, 'V', 190, '2212'),
    oven('2023-03-14', DAVI, 'lower'),
    ovenByEye('2023-07-25', DAVI, 'element-lower'),
    furnace('2023-05-22', LIA, 'OL'),
    board('rooftop3', '2023-11-20', LIA, 'U', 160, '2309'),
    oven('2024-01-11', LIA, 'upper'),
    ovenByEye('2024-04-30', DAVI, 'board'),
    board('rooftop2', '2024-03-05', DAVI, 'W', 122, '2309'),
    oven('2024-08-27', DAVI, 'lower'),
    furnace('2024-10-15', LIA, 'OL'),
    ovenByEye('2025-01-07', RUTE, 'element-lower'),
    board('rooftop1', '2025-01-20', DAVI, 'U', 96, '2411'),
    board('rooftop3', '2025-03-18', RUTE, 'V', 71, '2411'),
    oven('2025-05-06', RUTE, 'lower'),
    board('rooftop2', '2025-06-10', DAVI, 'V', 44, '2411'),
    // Ten weeks later the same board again.
    board('rooftop2', '2025-08-21', RUTE, 'U', 38, '2506'),
    board('rooftop1', '2025-09-30', LIA, 'W', 52, '2506'),
    oven('2025-11-04', DAVI, 'upper'),
    board('rooftop3', '2025-11-18', DAVI, 'V', 33, '2506'),
  ];
  return visits;
}
