/**
 * The table of what each want does, made by doing it: every row is folded, and what came of it is written
 * down. `DOCS_WRITE=1` writes `docs/conditions.md` anew; otherwise it must be so already.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { heatSheet as sheet, liveHeat, openHeat, read } from '../../test/heat-sheet';
import { volts, type LogWriter } from '../../test/small-sheet';
import { refusalOf } from '../job/admission/refusal-of';
import { foldJob } from '../job/fold/fold';
import { isSilent } from '../job/state/state';

const FILE = join(__dirname, '../../../docs/conditions.md');

interface Row {
  /** The sheet's words. */
  readonly want: string;
  readonly differs: string;
  readonly observable: string;
  readonly make: (log: LogWriter) => void;
}

const ohms = (log: LogWriter, test: string, value: number | 'OL', point: string) =>
  read(log, test, value, { point, fn: 'ohm' });

const ROWS: readonly Row[] = [
  {
    want: 'state: heat',
    differs: 'never entered',
    observable: 'out',
    make: (log) => void read(liveHeat(log), 'out', 24),
  },
  {
    want: 'state: test-mode (lasts 90 s)',
    differs: 'it had ended',
    observable: 'mode',
    make(log) {
      liveHeat(log, 'test-mode').wait(5);
      read(log, 'mode', 12);
    },
  },
  {
    want: 'access: { plug: out }',
    differs: 'the plug is in',
    observable: 'plugged-off',
    make: (log) => void read(log, 'plugged-off', 0.45, { point: 'V', fn: 'diode' }),
  },
  {
    want: 'access: { plug: in }',
    differs: 'the plug is out',
    observable: 'out',
    make(log) {
      log.add('access', { access: 'plug' });
      read(liveHeat(log, 'heat'), 'out', 24);
    },
  },
  {
    want: 'access: { lid: out }',
    differs: 'nobody ticked the lid off',
    observable: 'bridge',
    make: (log) => void read(log, 'bridge', 0.45, { point: 'U', fn: 'diode' }),
  },
  ...([3, 7, 20] as const).map((value): Row => ({
    want: 'isolates: [plug], between 6 and 8 Ω',
    differs: `the plug is in, and it reads ${value} Ω`,
    observable: 'winding',
    make(log) {
      log.add('lead', { value: 0.1, half: 0.05 });
      ohms(log, 'winding', value, 'UV');
    },
  })),
  {
    want: 'fedBy: [rail]',
    differs: 'the rail was not taken, and this is good',
    observable: 'out',
    make: (log) => void read(liveHeat(log, 'heat'), 'out', 24),
  },
  {
    want: 'fedBy: [rail]',
    differs: 'the rail was not taken, and this is bad',
    observable: 'out',
    make: (log) => void read(liveHeat(log, 'heat'), 'out', 0),
  },
  {
    want: 'fedBy: [rail]',
    differs: 'the rail is bad',
    observable: 'out',
    make(log) {
      read(liveHeat(log), 'rail', 1);
      log.add('window', { state: 'heat' });
      read(log, 'out', 0);
    },
  },
  {
    want: 'after: [glow]',
    differs: 'not taken',
    observable: 'after-look',
    make: (log) => void log.add('answer', { test: 'after-look', answer: 'soot' }),
  },
  {
    want: 'contact: absence (where nothing is said)',
    differs: 'open, where it should not be, and contact is not proven',
    observable: 'joint',
    make: (log) => void ohms(log, 'joint', 'OL', '1'),
  },
  {
    want: 'contact: clears',
    differs: 'open, as it should be, and contact is not proven',
    observable: 'shell',
    make: (log) => void ohms(log, 'shell', 'OL', 'U'),
  },
  {
    want: 'means: the camera',
    differs: 'the answer is bad, and the camera is not known to work',
    observable: 'remote',
    make: (log) => void liveHeat(log).add('answer', { test: 'remote', answer: 'dark' }),
  },
  {
    want: 'a limit below 20 Ω',
    differs: 'too high, and the leads are not zeroed',
    observable: 'joint',
    make: (log) => void ohms(log, 'joint', 2, '1'),
  },
  {
    want: 'energy: dead',
    differs: 'it is live',
    observable: 'joint',
    make: (log) => void ohms(liveHeat(log), 'joint', 0.4, '1'),
  },
  {
    want: 'energy: any',
    differs: 'precautions not read',
    observable: 'remote',
    make: (log) => void liveHeat(log).add('answer', { test: 'remote', answer: 'lights' }),
  },
  {
    want: 'offMachine',
    differs: 'it is live',
    observable: 'sensor',
    make: (log) => void ohms(liveHeat(log), 'sensor', 450, '1'),
  },
  {
    want: 'needs: { access: { plug: in } }, harm: machine',
    differs: 'the plug is out',
    observable: '',
    make(log) {
      log.add('access', { access: 'plug' });
      liveHeat(log, 'heat');
    },
  },
  {
    want: 'needs: { access: { guard: in } }, harm: person',
    differs: 'the guard is off, and a reason is given',
    observable: '',
    make(log) {
      log.add('access', { access: 'guard' });
      liveHeat(log);
      log.add('window', { state: 'fan', despite: 'in a hurry' });
    },
  },
  {
    want: 'needs: { passed: [bridge] }',
    differs: 'the bridge reads shorted',
    observable: '',
    make(log) {
      log.add('reading', {
        test: 'bridge',
        point: 'U',
        function: 'diode',
        reading: volts(0.002),
        typed: '',
        contact: true,
      });
      liveHeat(log, 'heat');
    },
  },
];

/** What came of it: the last entry refused, or how its finding stands. */
function follows({ make, observable }: Row): string {
  const log = openHeat();
  make(log);
  const last = log.entries.at(-1)!;
  const before = foldJob(sheet, log.entries.slice(0, -1));
  const refusal = refusalOf(sheet, before, last);
  if (refusal) return `**refused**: ${refusal.message}`;
  const standing = foldJob(sheet, log.entries).current.get(observable)?.standing;
  if (!standing) return 'entered';
  const words = { void: 'void', waits: 'waits', 'one-sided': 'cannot tell' } as const;
  return isSilent(standing) ? `**${words[standing.kind]}**: ${standing.because}` : '**counts**';
}

function written(): string {
  const rows = ROWS.map((row) => `| \`${row.want}\` | ${row.differs} | ${follows(row)} |`);
  return [
    '# What each want does',
    '',
    'Made by `core/src/conditions/table.test.ts`, which folds every row; do not edit it by hand.',
    'Void stays void; what waits is evidence once what it owes is settled; what cannot tell is taken again.',
    '',
    '| The sheet says | What differs | What follows |',
    '| --- | --- | --- |',
    ...rows,
    '',
  ].join('\n');
}

test('the table in the documents is what the program does', () => {
  const table = written();
  if (process.env.DOCS_WRITE) writeFileSync(FILE, table);
  // The formatter sets the columns of a table under each other.
  const bare = (text: string) => text.replace(/ +/g, ' ').replace(/-{3,}/g, '---');
  expect(bare(readFileSync(FILE, 'utf8'))).toBe(bare(table));
});
