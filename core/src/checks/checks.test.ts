/** Each check can fail: one damage for every code, and nothing else is said of the undamaged sheet. */
import { wideSheet } from '../../test/wide-sheet';
import { checkSheet } from './check';
import type { MeasureTest, Sheet } from '../sheet/schema';

const damaged = (change: (sheet: Sheet) => void): Sheet => {
  const sheet = structuredClone(wideSheet);
  change(sheet);
  return sheet;
};
const test_ = (sheet: Sheet, id: string) =>
  sheet.tests.find((each) => each.id === id) as MeasureTest;

test('the wide sheet passes every check', () => {
  expect(checkSheet(wideSheet)).toEqual([]);
});

type Damage = readonly [what: string, change: (sheet: Sheet) => void, code: string, path: string];
const DAMAGES: readonly Damage[] = [
  [
    'a charge stored nowhere',
    (s) => void (s.safety.stores = [{ name: 'Bus capacitors', at: 'b.Q9' }]),
    'unknown-reference',
    '/safety/stores/0/at',
  ],
  [
    'two pins of one number',
    (s) => void (s.boards[0]!.connectors![0]!.pins[1]!.n = 1),
    'duplicate-pin',
    '/boards/0/connectors/0/pins/1/n',
  ],
  [
    'two connectors of one id',
    (s) => void s.boards[0]!.connectors!.push(s.boards[0]!.connectors![0]!),
    'duplicate-id',
    '/boards/0/connectors/1/id',
  ],
  [
    'two points of one id',
    (s) => void (test_(s, 'windings').points[1]!.id = 'UV'),
    'duplicate-id',
    '/tests/4/points/1/id',
  ],
  [
    'a rule named like a point',
    (s) => void (test_(s, 'windings').together![0]!.id = 'UV'),
    'duplicate-id',
    '/tests/4/points/3/id',
  ],
  [
    'a sequence named like a test',
    (s) => void (s.sequences![0]!.id = 'rail'),
    'duplicate-id',
    '/sequences/0/id',
  ],
  [
    'two expectations of one name',
    (s) => void (s.sequences![0]!.expects[1]!.id = 'on'),
    'duplicate-id',
    '/sequences/0/expects',
  ],
  [
    'two codes alike',
    (s) => void s.codes.list.push(s.codes.list[0]!),
    'duplicate-id',
    '/codes/list/1/id',
  ],
  [
    'a rule over a point that is not there',
    (s) =>
      void (test_(s, 'windings').together![0] = {
        id: 'agree',
        kind: 'balance',
        percent: 4,
        points: ['UV', 'X'],
      }),
    'unknown-reference',
    '/tests/4/together/0/points',
  ],
  [
    'a curve that is not there',
    (s) => void (s.curves = [s.curves![0]!]),
    'unknown-reference',
    '/tests/5/expect/curve',
  ],
  [
    'a place of a sequence',
    (s) => void (s.sequences![0]!.expects[0]!.red = 'b.X'),
    'unknown-reference',
    '/sequences/0/expects/0/red',
  ],
  [
    'a harness that joins nothing',
    (s) => void (s.harnesses![0]!.joins = ['b.CN9']),
    'unknown-reference',
    '/harnesses/0/joins/0',
  ],
  [
    'a harness on no part',
    (s) => void (s.harnesses![0]!.part = 'x'),
    'unknown-reference',
    '/harnesses/0/part',
  ],
  [
    'a board on no part',
    (s) => void (s.boards[0]!.part = 'x'),
    'unknown-reference',
    '/boards/0/part',
  ],
  [
    'a plug that mates nothing',
    (s) => void (s.boards[0]!.connectors![0]!.mates = 'x'),
    'unknown-reference',
    '/boards/0/connectors/0/mates',
  ],
  [
    'access that needs what is not there',
    (s) => void (s.access![1]!.needs = ['roof']),
    'unknown-reference',
    '/access/1/needs/0',
  ],
  ...(
    [
      ['a state from nowhere', (s) => void (s.states[1]!.from = 'x'), '/states/1/from'],
      [
        'a state that needs what is not there',
        (s) => void (s.states[1]!.needs = { access: { roof: 'in' } }),
        '/states/1/needs/access/roof',
      ],
      [
        'a state that needs an unknown test passed',
        (s) => void (s.states[1]!.needs = { passed: ['x'] }),
        '/states/1/needs/passed/0',
      ],
      [
        'a symptom of no fault',
        (s) => void (s.symptoms = [{ id: 'a', text: 'a', suspects: { x: 0.5 } }]),
        '/symptoms/0/suspects/x',
      ],
      [
        'a try that cures nothing',
        (s) => void (s.tries = [{ id: 'a', name: 'a', cures: { x: 0.5 } }]),
        '/tries/0/cures/x',
      ],
      ['a part on no part', (s) => void (s.parts[0]!.on = 'x'), '/parts/0/on'],
      [
        'a follow-up of nothing',
        (s) => void (s.tests[0]!.onlyIf = { x: 'ok' }),
        '/tests/0/onlyIf/x',
      ],
      [
        'a follow-up of what never comes out',
        (s) => void (s.tests[0]!.onlyIf = { looks: 'purple' }),
        '/tests/0/onlyIf/looks',
      ],
      [
        'an unknown access that isolates',
        (s) => void (s.tests[0]!.isolates = ['roof']),
        '/tests/0/isolates/0',
      ],
      ['what must come first', (s) => void (s.tests[0]!.after = ['x']), '/tests/0/after/0'],
    ] as [string, (sheet: Sheet) => void, string][]
  ).map(([name, change, path]): [string, (sheet: Sheet) => void, string, string] => [
    name,
    change,
    'unknown-reference',
    path,
  ]),
  [
    'a part that sits on itself',
    (s) => void ((s.parts[0]!.on = s.parts[1]!.id), (s.parts[1]!.on = s.parts[0]!.id)),
    'circle',
    '/parts/0/on',
  ],
  [
    'a live state out of a dead one',
    (s) => void (s.states[1]!.from = 'dead'),
    'state',
    '/states/1/from',
  ],
  [
    'one of a group that brings another of it',
    (s) =>
      void (
        (s.faults[0]!.oneOf = 'g'),
        (s.faults[1]!.oneOf = 'g'),
        (s.faults[0]!.brings = { [s.faults[1]!.id]: 0.5 })
      ),
    'one-of',
    '/faults/0/brings/driver',
  ],
  [
    'what isolates and is not wanted out',
    (s) => void (test_(s, 'windings').access = { plug: 'in' }),
    'isolation',
    '/tests/4/isolates/0',
  ],
  [
    'ohms whatever the energy, on the machine',
    (s) => void (test_(s, 'windings').energy = 'any'),
    'dead-only',
    '/tests/4/function',
  ],
  [
    'a repair of no fault',
    (s) => void (s.repairs![0]!.fixes = ['x']),
    'unknown-reference',
    '/repairs/0/fixes/0',
  ],
  [
    'a procedure for no part',
    (s) => void (s.procedures![0]!.for = 'x'),
    'unknown-reference',
    '/procedures/0/for',
  ],
  [
    'a wire from nowhere to nowhere',
    (s) => void (s.procedures![0]!.wireMap = [{ wire: 'red' }]),
    'unknown-reference',
    '/procedures/0/wireMap/0',
  ],
  [
    'ohms on a live unit',
    (s) => void (test_(s, 'windings').state = 'standby'),
    'dead-only',
    '/tests/4/function',
  ],
  [
    'a unit the dial does not read',
    (s) => void (test_(s, 'windings').expect.unit = 'A'),
    'unit',
    '/tests/4/expect/unit',
  ],
  [
    'limits crossed',
    (s) => void (test_(s, 'rail').expect = { kind: 'between', low: 9, high: 1, unit: 'V' }),
    'limits',
    '/tests/2/expect',
  ],
  [
    'a label without tolerance',
    (s) => void (test_(s, 'rail-label').expect = { kind: 'label', asks: 'x', unit: 'V' }),
    'limits',
    '/tests/6/expect',
  ],
  [
    'a purpose without sense',
    (s) =>
      void (test_(s, 'rail-label').purposes![0]!.expect = { kind: 'nominal', value: 1, unit: 'V' }),
    'limits',
    '/tests/6/purposes/0/expect',
  ],
  [
    'a balance without limit',
    (s) => void (test_(s, 'windings').together![0] = { id: 'agree', kind: 'balance' }),
    'limits',
    '/tests/4/together/0',
  ],
  [
    'a sum over the wrong number',
    (s) => void (test_(s, 'diode').together = [{ id: 's', kind: 'sum', percent: 5 }]),
    'limits',
    '/tests/0/together/0',
  ],
  [
    'a curve that turns back',
    (s) =>
      void (s.curves![1] = {
        id: 'steps',
        kind: 'table',
        points: [
          [0, 5],
          [1, 4],
          [2, 6],
        ],
      }),
    'curve',
    '/curves/1/points',
  ],
  [
    'volts without a black lead',
    (s) => void delete test_(s, 'rail').points[0]!.black,
    'placing',
    '/tests/2/points/0',
  ],
  [
    'both leads on one place',
    (s) => void (test_(s, 'rail').points[0]!.black = 'b.CN1.1'),
    'placing',
    '/tests/2/points/0',
  ],
  [
    'a fault that shows nowhere',
    (s) => void (s.faults[1]!.shows = {}),
    'invisible',
    '/faults/1/shows',
  ],
  [
    'a fault that shows only good',
    (s) => void (s.faults[1]!.shows = { out: 'ok' }),
    'invisible',
    '/faults/1/shows',
  ],
  [
    'two parts that look the same',
    (s) => void (s.faults[3]!.shows = { ...s.faults[0]!.shows }),
    'alike',
    '/faults/3/shows',
  ],
  [
    'an answer that points nowhere',
    (s) => void (s.faults[2]!.shows = { 'diode@U': 'short' }),
    'mute-answer',
    '/tests/1/answers/burnt',
  ],
  [
    'an outcome that cannot be',
    (s) => void (s.faults[3]!.shows = { 'windings@agree': 'low' }),
    'outcome',
    '/faults/3/shows/windings@agree',
  ],
  [
    'shares that do not add up',
    (s) => void (s.faults[0]!.shows = { rail: { low: 0.5 } }),
    'shares',
    '/faults/0/shows/rail',
  ],
  [
    'a test fed by itself',
    (s) => void (test_(s, 'rail').fedBy = ['out']),
    'circle',
    '/tests/2/fedBy',
  ],
  [
    'access that needs itself',
    (s) => void (s.access![0]!.needs = ['plug']),
    'circle',
    '/access/0/needs',
  ],
  [
    'a chain in a circle',
    (s) => void (s.faults[1]!.brings = { shorted: 0.5 }),
    'circle',
    '/faults/1/brings',
  ],
  [
    'a phase that never ends',
    (s) => void delete s.sequences![0]!.phases[0]!.until,
    'phase',
    '/sequences/0/phases/0/until',
  ],
  [
    'an expectation in no phase',
    (s) => void (s.sequences![0]!.expects[1]!.phase = 'never'),
    'phase',
    '/sequences/0/expects/1/phase',
  ],
  [
    'a broken pattern',
    (s) => void (s.codes.schemes[0]!.pattern = '(['),
    'pattern',
    '/codes/schemes/0/pattern',
  ],
  [
    'a group the pattern has not',
    (s) => void Object.assign(s.codes.schemes[0]!, { pattern: '^(\\d)$', unit: 2 }),
    'pattern',
    '/codes/schemes/0/unit',
  ],
  [
    'insulation with the electronics plugged in',
    (s) =>
      void Object.assign(test_(s, 'windings'), {
        function: 'insulation',
        isolates: undefined,
        expect: { kind: 'atLeast', low: 1e6, unit: 'ohm' },
      }),
    'isolation',
    '/tests/4/isolates',
  ],
];

test.each(DAMAGES)('%s is found', (_, change, code, path) => {
  const found = checkSheet(damaged(change));
  expect(found.map((each) => `${each.code} ${each.path}`)).toContain(`${code} ${path}`);
  for (const { message } of found) expect(message).toMatch(/[.]$/);
});

test('warnings do not keep a sheet from being used, problems do; all are said', () => {
  const sheet = damaged((s) => {
    s.faults[3]!.shows = { ...s.faults[0]!.shows };
    s.faults[1]!.shows = {};
    s.tests[0]!.state = 'asleep';
  });
  const found = checkSheet(sheet);
  expect(found.filter(({ severity }) => severity === 'problem').length).toBeGreaterThanOrEqual(2);
  expect(found.at(-1)!.severity).toBe('warning');
});
