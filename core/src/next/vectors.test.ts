/** Agreement with reference results of an independent program; see diagnose/vectors.test.ts. */
import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { infer } from '../diagnose/belief';
import type { Evidence } from '../diagnose/evidence';
import type { DiagnosticModel } from '../diagnose/model';
import type { PricedPart, PricedTest, Rates } from './prices';
import { nextTests, type TestValue } from './value';

const folder = process.env.JEITINHO_VECTORS ?? resolve(__dirname, '../../../../shared/vectors');
const file = join(folder, 'diagnose-2.json');

interface Case {
  readonly sheet: DiagnosticModel & {
    readonly parts: readonly PricedPart[];
    readonly tests: readonly PricedTest[];
    readonly shop: Rates;
  };
  readonly evidence: readonly Evidence[];
  readonly expected: {
    readonly ecr: number;
    readonly order: readonly string[];
    readonly next: readonly TestValue[];
  };
}

/** 1e-6 relative, 1e-9 absolute near zero. */
const expectClose = (figure: number, wanted: number) =>
  expect(Math.abs(figure - wanted)).toBeLessThanOrEqual(Math.max(1e-9, Math.abs(wanted) * 1e-6));

(existsSync(file) ? test : test.skip)(
  'cost of repair, its order, and every test’s worth agree',
  () => {
    const cases = JSON.parse(readFileSync(file, 'utf8')) as Case[];
    expect(cases.length).toBeGreaterThan(8);
    cases.forEach(({ sheet, evidence, expected }, i) => {
      const { parts, tests, shop } = sheet;
      const { cost, order, next } = nextTests(infer(sheet, evidence), parts, tests, shop);
      expect([i, order]).toEqual([i, expected.order]);
      expectClose(cost, expected.ecr);
      expect(next).toHaveLength(expected.next.length);
      next.forEach((each, k) => {
        const wanted = expected.next.find(({ test: id }) => id === each.test)!;
        for (const what of ['voi', 'price', 'net'] as const) expectClose(each[what], wanted[what]);
        // The same place, but for tests whose worth differs by rounding alone.
        expectClose(each.net, expected.next[k]!.net);
      });
    });
  },
);
