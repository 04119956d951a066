/** That what is advised makes visits shorter, on machines whose faults fall by the sheet's own odds. */
import { playVisit } from '../testing/simulated-visits';
import { schoolFigures, schoolTable, visitFigures, visitTable } from '../testing/visit-figures';
import { newestSheet } from './sheets';

const MACHINES = ['termalva-tb24', 'secavento-gd7', 'visorim-lt55', 'varredim-vc2'];

test('by what is worth most a machine is mended in fewer minutes than by the sheet’s order, and no more wrongly', () => {
  const rows = visitFigures(MACHINES.map(newestSheet), 40);
  const pooled = rows.at(-1)!;
  expect(pooled.visits).toBe(4 * 40);
  expect(pooled.toOrder.to).toBeLessThan(0.7);
  expect(pooled.toOrderByState.to).toBeLessThan(0.85);
  for (const { sheet, toOrder } of rows)
    expect([sheet, toOrder.ratio < 0.85]).toEqual([sheet, true]);
  const { balanced, order } = pooled.policies;
  expect(balanced.wrongParts).toBeLessThanOrEqual(order.wrongParts + 0.05);
  expect(balanced.lostHandOvers).toBeLessThanOrEqual(order.lostHandOvers);
  expect(visitTable(rows).split('\n')).toHaveLength(2 + 5);
});

test('the same dice play the same visit', () => {
  const sheet = newestSheet('varredim-vc2');
  for (const policy of ['order', 'balanced', 'half-split'] as const)
    expect(playVisit(sheet, policy, 7)).toEqual(playVisit(sheet, policy, 7));
});

test('no school of the trade is much shorter than the balanced way, all machines taken together', () => {
  const rows = schoolFigures(MACHINES.slice(1).map(newestSheet), 20);
  expect(rows[0]!.toBalanced.ratio).toBe(1);
  for (const { school, toBalanced } of rows)
    expect([school, toBalanced.ratio > 0.9]).toEqual([school, true]);
  expect(schoolTable(rows).split('\n')).toHaveLength(2 + 5);
});
