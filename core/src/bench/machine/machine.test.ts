import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Sheet } from '../../sheet/schema';
import {
  adopt,
  compareDictionary,
  dictionaryFrom,
  difference,
  drawsOf,
  readDraw,
  specimenOf,
} from './dictionary';
import { dice } from '../../numeric/dice';
import { goneBy } from '../../job/work/cures';
import { answerOf, askTests, drawFault, killedAt, specimenNow } from './hidden-fault';
import { benchDisagreements } from './agreement';
import { hasBench, HEALTHY, type BenchedSheet } from './machine';
import { readSpecimen } from './outcomes';
import { faceOf } from './face';
import { hazardWords, knownSource, LEADS_TOGETHER, probeMachine } from './probe-machine';

const demo = (file: string): BenchedSheet => {
  const sheet = JSON.parse(
    readFileSync(join(__dirname, '../../../../demo/sheets', file), 'utf8'),
  ) as Sheet;
  if (!hasBench(sheet)) throw new Error('a bench is expected');
  return sheet;
};
const fridge = demo('tarumbe-uf440i.2.json');
const LIVE = { access: [] };

describe('probing a machine in the course of a job', () => {
  const bus = { function: 'V=', red: 'inv.P', black: 'inv.N' } as const;
  const last = (probed: ReturnType<typeof probeMachine>) => probed.updates.at(-1)!.value;

  test('the bus is charged at isolation, falls with its bleed, and is dead after the wait', () => {
    const after = (seconds: number) =>
      probeMachine(fridge, HEALTHY, { access: [], isolatedFor: seconds }, bus, { seconds: 4 });
    expect(last(after(1))!).toBeGreaterThan(100);
    expect(last(after(60))!).toBeLessThan(60);
    expect(last(after(300))!).toBeLessThan(0.1);
  });

  test('the same place reads in circuit until its plug is out', () => {
    const windings = { function: 'ohm', red: 'comp.U', black: 'inv.U' } as const;
    const facts = { isolatedFor: 900 };
    const plugged = probeMachine(fridge, HEALTHY, { ...facts, access: [] }, windings, {
      seconds: 2,
    });
    const unplugged = probeMachine(fridge, HEALTHY, { ...facts, access: ['comp-off'] }, windings, {
      seconds: 2,
    });
    expect(last(plugged)!).toBeLessThan(1);
    expect(last(unplugged)).toBeNull();
  });

  test('a lead that comes and goes hides no charge: the bus falls as any other, its ohms flicker', () => {
    const loose = { changes: ['flicker rpu 0.5'], seed: 0 };
    const read = (placement: Parameters<typeof probeMachine>[3], isolatedFor: number | undefined) =>
      probeMachine(fridge, loose, { access: [], isolatedFor }, placement, {
        seconds: 4,
        roll: dice(7),
      });
    expect(last(read(bus, 1))!).toBeGreaterThan(100);
    expect(read({ ...bus, function: 'ohm' }, 2).hazards[0]?.kind).toBe('driven-live');
    const wire = read({ function: 'ohm', red: 'comp.U', black: 'inv.U' }, 900).updates;
    const ohms = wire.map(({ value }) => value ?? Infinity);
    expect(Math.min(...ohms)).toBeLessThan(1);
    expect(Math.max(...ohms)).toBeGreaterThan(1000);
    // On a live rail each of its figures carries the warning.
    const rail = { function: 'ohm', red: 'main.TP5', black: 'main.TP0', state: 'standby' } as const;
    for (const { flags } of read(rail, undefined).updates) expect(flags).toContain('disturbed');
  });

  test('ohms on it while live, or while the bus is up, are told as a hazard', () => {
    const ohms = { function: 'ohm', red: 'inv.P', black: 'inv.N' } as const;
    const live = probeMachine(fridge, HEALTHY, LIVE, { ...ohms, state: 'demand' }, { seconds: 1 });
    expect(live.hazards[0]?.kind).toBe('driven-live');
    const charged = probeMachine(fridge, HEALTHY, { access: [], isolatedFor: 2 }, ohms, {
      seconds: 1,
    });
    expect(charged.hazards[0]?.kind).toBe('driven-live');
    expect(charged.updates).toEqual([]);
    expect(hazardWords(live.hazards[0]!)).toMatch(/isolate, prove it dead/);
  });

  test('amps across the mains blow the meter’s fuse', () => {
    const placement = { function: 'A~', red: 'main.CN1.1', black: 'main.CN1.2' } as const;
    const { hazards } = probeMachine(fridge, HEALTHY, LIVE, placement, { seconds: 1 });
    expect(hazards[0]?.kind).toBe('meter-fuse');
  });

  test('an insulation test on a board’s own pins kills it, and is told', () => {
    const placement = { function: 'insulation', red: 'main.CN3.1', black: 'main.CN3.2' } as const;
    const facts = { access: ['cn3-off'], isolatedFor: 900 };
    const { hazards } = probeMachine(fridge, HEALTHY, facts, placement, { seconds: 1 });
    expect(hazards[0]).toMatchObject({ kind: 'destroyed', node: 'co' });
    expect(killedAt(fridge, 'co')).toBe('main-supply');
  });

  test('a known source reads what it is: a battery on DC, the supply on AC, and nothing on the wrong dial', () => {
    const on = (kind: 'supply' | 'battery' | 'proving-unit', fn: 'V=' | 'V~') =>
      last(
        probeMachine(
          fridge,
          HEALTHY,
          LIVE,
          { function: fn, red: knownSource(kind), black: knownSource(kind) },
          { seconds: 3 },
        ),
      );
    expect(on('battery', 'V=')).toBeCloseTo(9.2, 1);
    expect(on('supply', 'V~')).toBeCloseTo(127, 0);
    expect(on('proving-unit', 'V~')).toBeCloseTo(240, 0);
    expect(on('proving-unit', 'V=')).toBeCloseTo(240, 0);
    // A live wire on DC volts reads nothing, and a battery on AC neither: the reason for all of this.
    expect(Math.abs(on('supply', 'V=')!)).toBeLessThan(1);
    expect(on('battery', 'V~')).toBe(0);
    expect(
      probeMachine(
        fridge,
        HEALTHY,
        LIVE,
        { function: 'V=', red: 'nowhere.X', black: 'inv.N' },
        { seconds: 1 },
      ).updates,
    ).toEqual([]);
  });

  test('the legs of the fridge’s plug read the mains live and nothing once it is pulled', () => {
    const plug = { function: 'V~', red: 'plug.L', black: 'plug.N' } as const;
    const frame = { function: 'V~', red: 'plug.L', black: 'plug.PE' } as const;
    for (const pair of [plug, frame]) {
      expect(last(probeMachine(fridge, HEALTHY, LIVE, pair, { seconds: 2 }))).toBeCloseTo(127, 0);
      // Beside a charged bus, and by a meter with a zero error of its own: never below nothing.
      const pulled = { access: [], isolatedFor: 20 };
      const deviation = () => -1;
      expect(last(probeMachine(fridge, HEALTHY, pulled, pair, { seconds: 2, deviation }))).toBe(0);
    }
  });
});

describe('hidden faults', () => {
  const hidden = { fault: 'comp-winding', variant: 2, seed: 24 };

  test('are drawn by seed, the same every time, and only among those that fit', () => {
    expect(drawFault(fridge, 77)).toEqual(drawFault(fridge, 77));
    const drawn = new Set(
      Array.from({ length: 60 }, (_, i) => drawFault(fridge, i, ['main-cmd', 'inv-fuse']).fault),
    );
    expect([...drawn].sort()).toEqual(['inv-fuse', 'main-cmd']);
  });

  const fitting = (...parts: string[]) =>
    goneBy(
      fridge,
      parts.map((part) => ({ body: { what: 'fitted', part, note: '' } })),
    );

  test('the right part heals, the wrong one does not; the old one put back is as it was', () => {
    expect(specimenNow(fridge, hidden, fitting('inv-board')).changes).toEqual(['scale rww 0.3']);
    expect(specimenNow(fridge, hidden, fitting('compressor')).changes).toEqual([]);
    const back = { body: { what: 'put-back', part: 'compressor', note: '' } } as const;
    const trial = { body: { what: 'fitted', part: 'compressor', trial: true, note: '' } } as const;
    expect(specimenNow(fridge, hidden, goneBy(fridge, [trial, back])).changes).not.toEqual([]);
    const { outcomes } = readSpecimen(fridge, specimenNow(fridge, hidden, fitting('compressor')));
    expect([...outcomes.values()].every((outcome) => outcome === 'ok')).toBe(true);
  });

  test('what an unsafe act killed stays dead until its own part is changed', () => {
    const killed = ['main-cpu'];
    expect(specimenNow(fridge, hidden, fitting('compressor'), killed).changes).toEqual([
      'leak r5 3',
    ]);
    expect(
      specimenNow(fridge, hidden, fitting('compressor', 'main-board'), killed).changes,
    ).toEqual([]);
    expect(killedAt(fridge, 'm5')).toBe('main-supply');
  });

  test('eyes and ears find what the sheet says that fault shows, and good once it is healed', () => {
    const light = askTests(fridge).find(({ id }) => id === 'light')!;
    const shown = fridge.faults.find(({ id }) => id === 'comp-winding')!.shows.light as Record<
      string,
      number
    >;
    const answer = answerOf(fridge, light, hidden, []);
    expect(Object.keys(shown)).toContain(light.answers[answer]);
    expect(answerOf(fridge, light, hidden, [])).toBe(answer);
    expect(light.answers[answerOf(fridge, light, hidden, fitting('compressor'))]).toBe('ok');
  });

  test('its face shows the code that the fault raises most often, and none once it is healed', () => {
    // 24 is raised by a shorted winding in 70 of 100; no other code names it.
    const face = faceOf(fridge, hidden, []);
    expect(face).toMatchObject({ code: '24', shown: fridge.codes.schemes[0]!.shown });
    // The compressor is heard from outside; the inverter's light lies under a cover.
    expect(face.signs).toEqual([
      {
        asks: 'Two minutes after demand: what does the compressor do?',
        answer: expect.any(String) as string,
      },
    ]);
    expect(faceOf(fridge, hidden, fitting('compressor'))).not.toHaveProperty('code');
  });
});

describe('the fault dictionary', () => {
  const results = drawsOf(fridge, 6)
    .filter(({ fault }) => fault === 'inv-fuse' || fault === 'comp-open')
    .map((draw) => readDraw(fridge, draw, 1));
  const dictionary = dictionaryFrom(results, 6, 1);

  test('says what the circuit makes each fault read', () => {
    expect(dictionary.failed).toEqual({});
    expect(dictionary.faults['inv-fuse']!['inv-fuse']).toEqual({ open: 1 });
    expect(dictionary.faults['inv-fuse']!['windings@UV']).toEqual({ ok: 1 });
    expect(dictionary.faults['comp-open']!['windings@agree']).toEqual({ unequal: 1 });
    const uv = dictionary.faults['comp-open']!['windings@UV']!;
    expect(Object.values(uv).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 2);
  });

  test('is the same whatever the order its draws come in', () => {
    expect(dictionaryFrom([...results].reverse(), 6, 1)).toEqual(dictionary);
    expect(specimenOf(fridge, { fault: 'inv-fuse', index: 3 }, 1)).toEqual(
      specimenOf(fridge, { fault: 'inv-fuse', index: 3 }, 1),
    );
  });

  test('a draw reads the same on a bench that has solved nothing as after all the others', () => {
    const last = results.at(-1)!;
    const afresh = structuredClone(fridge);
    expect(readDraw(afresh, { fault: last.fault, index: last.index }, 1)).toEqual(last);
  });

  test('differences come first, and measure what is not shared', () => {
    expect(difference({ ok: 1 }, { ok: 1 })).toBe(0);
    expect(difference({ ok: 1 }, { open: 1 })).toBe(1);
    expect(difference({ ok: 0.5, open: 0.5 }, { open: 1 })).toBe(0.5);
    const cells = compareDictionary(fridge, dictionary);
    cells
      .slice(1)
      .forEach((cell, i) => expect(cell.difference).toBeLessThanOrEqual(cells[i]!.difference));
  });

  test('adopted cells replace what was written, and nothing else', () => {
    const cells = compareDictionary(fridge, dictionary).filter(({ observable }) =>
      observable.startsWith('windings'),
    );
    const adopted = adopt(fridge, cells);
    const fault = adopted.faults.find(({ id }) => id === 'comp-open')!;
    expect(fault.shows['windings@agree']).toBe('unequal');
    expect(fault.shows.light).toEqual(
      fridge.faults.find(({ id }) => id === 'comp-open')!.shows.light,
    );
    expect(adopted.faults.find(({ id }) => id === 'main-cmd')).toBe(
      fridge.faults.find(({ id }) => id === 'main-cmd'),
    );
  });

  test('a circuit that cannot be solved is told by its fault, not thrown', () => {
    const broken = structuredClone(fridge) as BenchedSheet;
    broken.bench.faults!['inv-fuse'] = [{ changes: ['open nosuch'] }];
    expect(readDraw(broken, { fault: 'inv-fuse', index: 0 }, 1)).toMatchObject({
      failed: expect.stringContaining('nosuch'),
    });
  });
});

describe('the agreement of bench and sheet', () => {
  test('finds a limit that the healthy bench does not meet, and a fault that shows something else', () => {
    const off = structuredClone(fridge) as BenchedSheet;
    off.bench.netlist = off.bench.netlist.replace('rwu cu star 3.5', 'rwu cu star 5');
    off.bench.faults = { 'inv-fuse': [{ changes: ['open rwv'] }] };
    const found = benchDisagreements(off);
    expect(
      found.some(({ fault, observable }) => fault === undefined && observable === 'windings@UV'),
    ).toBe(true);
    expect(
      found.some(({ fault, observable }) => fault === 'inv-fuse' && observable === 'inv-fuse'),
    ).toBe(true);
    expect(found[0]!.message).toMatch(/the sheet says ok/);
  });

  test('a place without a node, and a netlist that does not read, are told with their path', () => {
    const bare = structuredClone(fridge) as BenchedSheet;
    delete bare.bench.nodes['inv.F1a'];
    expect(benchDisagreements(bare)[0]).toMatchObject({
      path: '/bench/nodes',
      observable: 'inv-fuse',
    });
  });
});

test('two tips pressed together read the leads alone: twice 0.03 Ω, and what the tips touch', () => {
  const together = { function: 'ohm', red: LEADS_TOGETHER } as const;
  const { updates, hazards } = probeMachine(fridge, HEALTHY, LIVE, together, { seconds: 2 });
  expect(hazards).toEqual([]);
  expect(updates.at(-1)!.value).toBeCloseTo(0.06, 2);
});
