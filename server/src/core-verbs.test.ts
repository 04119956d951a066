import { demoWorld } from '@jeitinho/demo';
import { runVerb } from './core-verbs';

const judgeCase = {
  expect: { kind: 'between', low: 0.33, high: 0.62, unit: 'V' },
  reading: { kind: 'value', value: 0.46 },
};

test('one case gives one answer, an array an array', () => {
  expect(runVerb('judge', judgeCase)).toMatchObject({
    verdict: 'in',
    outcome: 'ok',
    corrected: 0.46,
    u: 0,
  });
  expect(runVerb('judge', [judgeCase, judgeCase])).toHaveLength(2);
});

test('diagnose takes the abridged form and a full sheet alike', () => {
  const sheet = demoWorld.sheets[0]!;
  const evidence = [{ code: '21' }, { test: 'cmd-loaded', outcome: 'low' }];
  const full = runVerb('diagnose', { sheet, evidence }) as {
    faults: Record<string, number>;
    other: number;
  };
  expect(Object.entries(full.faults).sort((a, b) => b[1] - a[1])[0]![0]).toBe('main-cmd');
  expect(full.other).toBeLessThan(0.05);
});

test('diagnose follows work: what was there, what is left, and whom the findings accuse', () => {
  const sheet = {
    faults: [
      { id: 'driver', part: 'board', prior: 1, shows: { out: 'low' }, intermittent: 0.1 },
      { id: 'joint', prior: 1, shows: {} },
    ],
    tests: [{ id: 'out', outcomes: ['ok', 'low'] }],
    parts: [{ id: 'board' }],
    symptoms: [{ id: 'silent', suspects: { driver: 0.8 } }],
  };
  const evidence = [
    { symptom: 'silent' },
    { confirmed: true },
    { test: 'out', outcome: 'low', again: 1 },
    { done: { driver: 0.98 } },
    { ran: true },
    { test: 'out', outcome: 'ok' },
  ];
  const { faults, now, accused, sound } = runVerb('diagnose', { sheet, evidence }) as {
    faults: Record<string, number>;
    now: Record<string, number>;
    accused: string[];
    sound: number;
  };
  expect(faults.driver).toBeGreaterThan(0.95);
  expect(now.driver).toBeLessThan(0.02);
  expect(accused).toEqual(['driver']);
  expect(sound).toBeGreaterThan(0.9);
});

test('diagnose says what the repair is expected to cost, in which order, and what each test is worth', () => {
  const sheet = {
    faults: [
      { id: 'driver', part: 'board', prior: 1, shows: { out: 'low' } },
      { id: 'motor', part: 'motor', prior: 1, shows: {} },
    ],
    tests: [{ id: 'out', outcomes: ['ok', 'low'], minutes: 6, risk: 1 }],
    parts: [
      { id: 'board', price: 400, minutes: 30 },
      { id: 'motor', price: 90, minutes: 30, covered: 1 },
    ],
  };
  const shop = { rate: 60, giveUp: 2000 };
  const { ecr, order, next } = runVerb('diagnose', { sheet, evidence: [], shop }) as {
    ecr: number;
    order: string[];
    next: { test: string; voi: number; price: number; net: number }[];
  };
  // The covered motor costs its half hour; the board comes after it.
  expect(order).toEqual(['motor', 'board']);
  expect(ecr).toBeGreaterThan(30);
  expect(next).toEqual([
    { test: 'out', voi: expect.any(Number), price: 7, net: expect.any(Number) },
  ]);
  expect(next[0]!.net).toBeCloseTo(next[0]!.voi - 7, 9);
});

test('three faults at once are looked at where somebody asks for it', () => {
  const sheet = {
    faults: ['a', 'b', 'c'].map((id) => ({
      id,
      part: 'P',
      prior: 1,
      shows: { [`t${id}`]: 'bad' },
    })),
    tests: ['a', 'b', 'c'].map((id) => ({ id: `t${id}`, outcomes: ['ok', 'bad'] })),
    parts: [{ id: 'P' }],
    coincidence: 1,
  };
  const evidence = ['a', 'b', 'c'].map((id) => ({ test: `t${id}`, outcome: 'bad' }));
  const all = (most?: number) => {
    const { faults } = runVerb('diagnose', { sheet, evidence, ...(most && { most }) }) as {
      faults: Record<string, number>;
    };
    return faults.a! + faults.b! + faults.c!;
  };
  expect(all()).toBeLessThan(2.01);
  expect(all(3)).toBeGreaterThan(2.5);
  expect(() => all(4)).toThrow();
});

test('decide says the best plan of each kind, and what given plans cost', () => {
  const sheet = {
    faults: [
      { id: 'a', part: 'A', prior: 6, shows: {} },
      { id: 'b', part: 'B', prior: 4, shows: {} },
    ],
    tests: [{ id: 't', outcomes: ['ok', 'bad'] }],
    parts: [
      { id: 'A', price: 300, minutes: 30 },
      { id: 'B', price: 100, minutes: 30, leadHours: 24 },
    ],
    repairs: [{ id: 'r', fixes: ['a'], price: 5, minutes: 60, success: 0.8, relapse: 0.1 }],
  };
  const asked = { sheet, evidence: [], plans: [[], [['replace:A', 'replace:B']]] };
  const { decide, plans } = runVerb('decide', asked) as {
    decide: Record<string, { plan: string[][]; cost: number }>;
    plans: { cost: number; fixed: number }[];
  };
  expect(Object.keys(decide).sort()).toEqual(['asASet', 'best', 'nothing', 'oneAtATime']);
  expect(decide.nothing!.cost).toBeCloseTo(plans[0]!.cost, 9);
  expect(decide.best!.cost).toBeLessThanOrEqual(plans[1]!.cost);
  expect(plans[1]!.fixed).toBeGreaterThan(0.9);
  const full = runVerb('decide', { sheet: demoWorld.sheets[0]!, evidence: [{ code: '21' }] });
  expect(full).toMatchObject({ decide: { best: { cost: expect.any(Number) } } });
  expect(() => runVerb('decide', { ...asked, plans: [[['replace:Z']]] })).toThrow(/replace:Z/);
});

test('of a full sheet, what comes next is the advice as the machine stands', () => {
  interface Told {
    ecr: number;
    stop: boolean;
    next: { test: string; before: string[]; net: number; minutes: number; price: number }[];
  }
  const sheet = demoWorld.sheets.find(({ id }) => id === 'lenharte-wf80')!;
  const ask = (more: object) => runVerb('diagnose', { sheet, evidence: [], ...more }) as Told;
  const found = ask({});
  expect(found).toMatchObject({ ecr: expect.any(Number), stop: false });
  const igniter = ({ next }: Told) => next.find(({ test }) => test === 'igniter')!;
  // Dead and with the plug out already, the cold igniter is a minute; on, it takes isolating and proving.
  const dead = ask({ situation: { state: 'dead', open: ['p2-off'] } });
  expect(igniter(dead).minutes).toBe(1);
  expect(igniter(found).minutes).toBeGreaterThan(5);
  expect(dead.next[0]!.test).toBe('igniter');
  expect(dead.next.some(({ net }) => net > 0)).toBe(true);
  // An hour that costs nothing makes every test cost its hazard alone.
  const free = ask({ shop: { rate: 0, giveUp: 900 } });
  expect(igniter(free).price).toBe(0);
  // What was found is not asked again.
  const known = ask({ evidence: [{ test: 'igniter', outcome: 'ok' }] });
  expect(igniter(known)).toBeUndefined();
  expect(() => ask({ situation: { state: 'nowhere' } })).toThrow(/no state “nowhere”/);
  expect(() => ask({ situation: { open: ['roof'] } })).toThrow(/no access “roof”/);
});

test.each<[string, unknown, string, string | undefined]>([
  ['fly', {}, 'invalid-input', undefined],
  ['toString', {}, 'invalid-input', undefined],
  ['judge', {}, 'invalid-input', ''],
  [
    'judge',
    [judgeCase, { ...judgeCase, reading: { kind: 'value', value: 'x' } }],
    'invalid-input',
    '/1/reading/value',
  ],
  ['diagnose', { sheet: { faults: [] }, evidence: [] }, 'invalid-input', '/sheet'],
  ['diagnose', { sheet: { format: 'jeitinho.sheet/1' }, evidence: [] }, 'invalid-input', '/sheet'],
])('%s of nonsense fails with a code and a path', (verb, input, code, path) => {
  expect(() => runVerb(verb, input)).toThrow(
    expect.objectContaining({
      code,
      ...(path !== undefined && { path: expect.stringContaining(path) }),
    }),
  );
});

describe('the bench on the command line', () => {
  const netlist = ['divider', 'V1 in 0 12', 'R1 in mid 1meg', 'R2 mid 0 1meg'].join('\n');

  test('solve prints volts by node and amps by source', () => {
    expect(runVerb('solve', `${netlist}\n.op\n`)).toEqual({
      op: {
        nodes: { in: 12, mid: expect.closeTo(6, 9) },
        branches: { v1: expect.closeTo(-6e-6, 12) },
      },
    });
  });

  test('solve answers every analysis that is asked for, by its name', () => {
    const text =
      'rc\nV1 a 0 DC 5 AC 1\nR1 a b 1k\nC1 b 0 1u\n.op\n.tran 1m 5m uic\n.ac dec 5 10 1k\n';
    const solved = runVerb('solve', text) as Record<string, { nodes: { b: unknown } }>;
    expect(Object.keys(solved).sort()).toEqual(['ac', 'op', 'tran']);
    expect(solved.ac!.nodes.b).toContainEqual([expect.any(Number), expect.any(Number)]);
  });

  test('measure prints the indication, how it settled, and what was unsafe', () => {
    const answer = runVerb('measure', {
      netlist,
      red: 'mid',
      black: '0',
      function: 'V=',
      changes: [],
    });
    // 1 MΩ beside the meter's 10 MΩ: 12 · 0.909 / 1.909 = 5.714.
    expect(answer).toMatchObject({
      indication: { value: expect.closeTo(5.714, 2), unit: 'V', flags: ['auto'] },
      hazards: [],
    });
    const { track } = answer as { track: { t: number; value: number }[] };
    expect(track.at(-1)!.value).toBeCloseTo(5.714, 2);
    expect(
      runVerb('measure', {
        netlist,
        red: 'in',
        black: '0',
        function: 'V=',
        changes: ['open r1', 'set v1 9'],
      }),
    ).toMatchObject({ indication: { value: 9 } });
  });

  test('measure begins with what the netlist says is stored', () => {
    const bus = 't\nC1 p 0 470u IC=310\nR1 p 0 47k';
    // τ = 470 µF · 47 kΩ beside 10 MΩ = 22.0 s: 310 · e^(−10/22) = 196.8 V after ten seconds.
    const volts = { netlist: bus, red: 'p', black: '0', function: 'V=', seconds: 10 };
    const { indication, track } = runVerb('measure', volts) as {
      indication: { value: number };
      track: { value: number }[];
    };
    expect(indication.value).toBeGreaterThan(194);
    expect(indication.value).toBeLessThan(200);
    expect(track[4]!.value).toBeGreaterThan(280);
    expect(runVerb('measure', { ...volts, function: 'ohm' })).toMatchObject({
      indication: { value: null, flags: ['auto', 'OL', 'disturbed'] },
      track: [],
      hazards: [{ kind: 'driven-live', volts: expect.closeTo(310, 0) }],
    });
  });

  test.each([
    ['R1 a 0', /line 2/],
    ['R1 a b 1k\nV1 a b 5', /no path to ground/],
  ])('“%s” is refused with a sentence', (lines, why) => {
    expect(() => runVerb('solve', `t\n${lines}\n.op`)).toThrow(why);
  });

  test('check solves the bench and tells where it disagrees', () => {
    const sheet = structuredClone(demoWorld.sheets.find(({ id }) => id === 'panvale-do3')!);
    expect(runVerb('check', sheet)).toMatchObject({ ok: true, problems: [] });
    sheet.bench!.netlist = sheet.bench!.netlist.replace('ru u1 u2 22', 'ru u1 u2 40');
    expect(runVerb('check', sheet)).toMatchObject({
      ok: false,
      problems: expect.arrayContaining([expect.objectContaining({ code: 'bench' })]),
    });
  });
});

test('learn: odds of proven jobs with their intervals, and how seldom chance brings so many', () => {
  expect(runVerb('learn', { weights: [3, 1], counts: [0, 1], fault: 1 })).toEqual({
    odds: [15 / 21, 6 / 21],
    interval: [expect.closeTo(0.1396, 3), expect.closeTo(0.4555, 3)],
  });
  expect(runVerb('learn', [{ k: 0, mean: 4 }])).toEqual([{ tail: 1 }]);
  const both = runVerb('learn', { weights: [1, 1], counts: [0, 0] }) as { intervals: unknown[] };
  expect(both.intervals).toHaveLength(2);
  expect(() => runVerb('learn', { weights: [1], counts: [1, 2] })).toThrow('as many');
  expect(() => runVerb('learn', { weights: [0], counts: [0] })).toThrow('above 0');
  expect(() => runVerb('learn', { k: 1.5, mean: 1 })).toThrow();
});
