/** Monday morning: five visits today, one unit down at the dairy; the others wait for their day. */
import { id } from './ids';
import type { DemoJob } from './types';
import { units } from './units';

interface Open {
  readonly job: number;
  readonly unit: keyof typeof units;
  readonly at: string;
  /** Days from today; 0 where absent. */
  readonly day?: number;
  readonly urgent?: boolean;
  readonly complaint: string;
  /** Faults that fit the complaint; empty for any. */
  readonly hidden: readonly string[];
}

const OPEN: readonly Open[] = [
  {
    job: 31,
    unit: 'fridge',
    at: '08:00',
    complaint: 'Warm inside since yesterday. The lamp works, but there is no hum.',
    hidden: ['main-cmd', 'main-relay', 'inv-fuse', 'harness-open', 'inv-supply'],
  },
  {
    job: 32,
    unit: 'chiller',
    at: '09:30',
    urgent: true,
    complaint: 'Circuit 2 down since 05:40, milk tank at 9 °C and rising.',
    hidden: ['link-open-2', 'drv-gate-2', 'log-run-2', 'drv-igbt-2'],
  },
  {
    job: 33,
    unit: 'rooftop2',
    at: '11:00',
    complaint: 'Trips at dawn, display shows 47 2. Resets by itself later.',
    hidden: ['inv-igbt', 'comp-short', 'comp-frame'],
  },
  {
    job: 151,
    unit: 'wallSplit',
    at: '14:00',
    complaint: 'Three clicks when I press the key, then nothing. No code, no lamp.',
    hidden: ['fan', 'switcher-start', 'reg-5'],
  },
  {
    job: 152,
    unit: 'boiler',
    at: '15:30',
    complaint: 'Lights, burns a few seconds, goes out. E02, then E01.',
    hidden: ['electrode-dirty', 'lead-bad', 'electrode-cracked'],
  },
  {
    job: 153,
    unit: 'coldRoom',
    at: '08:30',
    day: 1,
    complaint: 'LS blinks, room at 7 °C.',
    hidden: ['sensor-coil', 'relay-dead', 'head-open'],
  },
  {
    job: 154,
    unit: 'dryer',
    at: '10:00',
    day: 1,
    complaint: 'Turns and stays cold. It heated once this morning.',
    hidden: ['radiant-stuck', 'coil-1', 'coil-3', 'brd-valve'],
  },
  {
    job: 169,
    unit: 'cooler',
    at: '14:30',
    day: 1,
    complaint: 'Does not cool, the lamp is lit. A pin table hangs inside the door.',
    hidden: [],
  },
  {
    job: 155,
    unit: 'furnace',
    at: '13:30',
    day: 1,
    complaint: 'No heat in the gym again, six blinks.',
    hidden: ['rod-dirty', 'igniter-open', 'ctl-igniter', 'rod-lead'],
  },
  {
    job: 156,
    unit: 'oven',
    at: '06:00',
    day: 2,
    complaint: 'Display lights, nothing gets warm. E5.',
    hidden: ['lock', 'leg-2', 'brd-5'],
  },
  {
    job: 157,
    unit: 'poolPump',
    at: '09:00',
    day: 2,
    complaint: 'Hums and does not start.',
    hidden: ['cap-weak', 'contacts'],
  },
  {
    job: 158,
    unit: 'heatPump',
    at: '11:00',
    day: 2,
    complaint: 'Iced over again with the first cold nights.',
    hidden: ['sensor-coil', 'coil-open', 'dfb-valve', 'dfb-dead'],
  },
  {
    job: 159,
    unit: 'television',
    at: '16:00',
    day: 3,
    complaint: 'Sound, but the screen is dark.',
    hidden: ['strip-open', 'psu-led', 'strip-short'],
  },
  {
    job: 160,
    unit: 'plasma',
    at: '17:00',
    day: 3,
    complaint: 'Clicks on and off, never a picture.',
    hidden: ['y-short', 'z-short', 'psu-standby'],
  },
  {
    job: 168,
    unit: 'vacuum',
    at: '09:00',
    day: 4,
    complaint: 'Cuts out when the handle is tilted; the lamps flicker.',
    hidden: ['neck-broken'],
  },
];

export const openVisits: readonly DemoJob[] = OPEN.map(
  ({ job, unit, at, day, urgent, complaint, hidden }) => ({
    id: id(job),
    unitId: units[unit].id,
    visitAt: at,
    ...(day !== undefined && { visitInDays: day }),
    urgent: urgent ?? false,
    complaint,
    hidden,
    entries: [],
  }),
);
