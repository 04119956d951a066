/**
 * Agreement with reference results computed by an independent program. They are not part of this
 * repository: JEITINHO_VECTORS names their folder, by default ../shared/vectors beside the project.
 */
import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { judge, type JudgeInput } from '../judge/judge';
import { infer } from './belief';
import { accusedBy } from './accused';
import type { Evidence } from './evidence';
import type { DiagnosticModel } from './model';

const folder = process.env.JEITINHO_VECTORS ?? resolve(__dirname, '../../../../shared/vectors');
const present = existsSync(join(folder, 'judge.json'));
const load = <T>(name: string): T => JSON.parse(readFileSync(join(folder, name), 'utf8')) as T;

/** 1e-6 relative, 1e-9 absolute near zero. */
function expectClose(actual: number | undefined, expected: number, what: string): void {
  const allowed = Math.max(1e-9, Math.abs(expected) * 1e-6);
  if (!(Math.abs((actual ?? NaN) - expected) <= allowed))
    throw new Error(`${what}: ${actual} instead of ${expected}`);
}

const suite = present ? describe : describe.skip;

suite('reference vectors', () => {
  test('judge agrees on every case', () => {
    type Case = JudgeInput & {
      expected: {
        verdict: string;
        outcome: string;
        p: Record<string, number>;
        corrected?: number;
        u?: number;
      };
    };
    const cases = load<Case[]>('judge.json');
    expect(cases.length).toBeGreaterThan(50);
    cases.forEach(({ expected, ...input }, i) => {
      const got = judge(input);
      expect({ i, verdict: got.verdict, outcome: got.outcome }).toEqual({
        i,
        verdict: expected.verdict,
        outcome: expected.outcome,
      });
      expect(Object.keys(got.p).sort()).toEqual(Object.keys(expected.p).sort());
      for (const [name, p] of Object.entries(expected.p))
        expectClose(got.p[name], p, `${i} p.${name}`);
      if (expected.u !== undefined) expectClose(got.u, expected.u, `${i} u`);
      if (expected.corrected !== undefined)
        expectClose(got.corrected, expected.corrected, `${i} corrected`);
    });
  });

  test('diagnose agrees on everything that belief says', () => {
    type Case = {
      sheet: DiagnosticModel;
      evidence: Evidence[];
      expected: Record<'faults' | 'now' | 'fixed', Record<string, number>> &
        Record<'sound' | 'other', number> & { accused: string[] };
    };
    const cases = load<Case[]>('diagnose-2.json');
    expect(cases.length).toBeGreaterThan(8);
    cases.forEach(({ sheet, evidence, expected }, i) => {
      const inference = infer(sheet, evidence);
      const { belief } = inference;
      for (const what of ['faults', 'now', 'fixed'] as const)
        for (const [id, p] of Object.entries(expected[what]))
          expectClose(belief[what][id], p, `${i} ${what}.${id}`);
      for (const what of ['sound', 'other'] as const)
        expectClose(belief[what], expected[what], `${i} ${what}`);
      expect([i, accusedBy(inference)]).toEqual([i, expected.accused]);
    });
  });
});
