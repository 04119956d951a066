/** Agreement with reference results of an independent program; see diagnose/vectors.test.ts. */
import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { infer } from '../diagnose/belief';
import type { Evidence } from '../diagnose/evidence';
import type { DiagnosticModel } from '../diagnose/model';
import { actionsOf, type PlanPart, type PlanRepair } from './actions';
import type { ShopPrices } from '../next/prices';
import { decide, pricePlans, type Plan } from './plans';

const folder = process.env.JEITINHO_VECTORS ?? resolve(__dirname, '../../../../shared/vectors');
const file = join(folder, 'diagnose-2.json');

interface Figures {
  readonly cost: number;
  readonly fixedFirstVisit: number;
  readonly fixed: number;
}
interface Case {
  readonly sheet: DiagnosticModel & {
    readonly parts: readonly PlanPart[];
    readonly repairs?: readonly PlanRepair[];
    readonly shop: ShopPrices;
  };
  readonly evidence: readonly Evidence[];
  readonly plans: readonly (readonly (readonly string[])[])[];
  readonly expected: {
    readonly plans: readonly Figures[];
    readonly decide: Readonly<
      Record<'best' | 'oneAtATime' | 'asASet', Figures & { readonly plan: readonly string[][] }>
    >;
  };
}

/** 1e-6 relative, 1e-9 absolute near zero. */
const expectClose = (figure: number, wanted: number) =>
  expect(Math.abs(figure - wanted)).toBeLessThanOrEqual(Math.max(1e-9, Math.abs(wanted) * 1e-6));
function expectFigures(found: Figures, wanted: Figures) {
  for (const what of ['cost', 'fixedFirstVisit', 'fixed'] as const)
    expectClose(found[what], wanted[what]);
}
const named = ({ visits }: Plan) => visits.map((visit) => visit.map(({ id }) => id));

(existsSync(file) ? test : test.skip)('what plans cost, and the best of each kind, agree', () => {
  const cases = JSON.parse(readFileSync(file, 'utf8')) as Case[];
  expect(cases.length).toBeGreaterThan(8);
  cases.forEach(({ sheet, evidence, plans, expected }, i) => {
    const inference = infer(sheet, evidence);
    const actions = actionsOf(sheet, sheet.parts, sheet.repairs ?? []);
    pricePlans(inference, actions, sheet.shop, plans).forEach((figures, p) =>
      expectFigures(figures, expected.plans[p]!),
    );
    const found = decide(inference, actions, sheet.shop, { most: 3 });
    for (const kind of ['best', 'oneAtATime', 'asASet'] as const) {
      expect([i, kind, named(found[kind])]).toEqual([i, kind, expected.decide[kind].plan]);
      expectFigures(found[kind], expected.decide[kind]);
    }
  });
});
