/** The shop's price list: a few parts that it buys on terms of its own. All invented. */
import type { PriceRow } from '@jeitinho/core';

export const prices: readonly PriceRow[] = [
  {
    ...{ number: 'NV-3120', name: 'Inverter board, rooftop', price: 2380, stock: 0, leadHours: 72 },
    ...{ returnable: false, sendBackDays: 30, partsMonths: 12 },
  },
  {
    ...{ number: 'VS-5510', name: 'Power board 55"', price: 240, stock: 0, leadHours: 48 },
    ...{ returnable: true, restock: 0.15, supersededBy: 'VS-PSU-55B' },
  },
  {
    ...{ number: 'VS-PSU-55B', name: 'Power board 55", second layout', price: 240, leadHours: 48 },
    ...{ returnable: true, restock: 0.15, partsMonths: 6 },
  },
  {
    ...{ number: 'VS-5501', name: 'Main board 55"', price: 310, stock: 0, leadHours: 48 },
    ...{ returnable: true, restock: 0.15, partsMonths: 6 },
  },
  { number: 'TS-5010', name: 'Cabinet sensor', price: 29, stock: 4, returnable: true },
  { number: 'LH-8021', name: 'Igniter, silicon carbide', price: 95, stock: 2, returnable: false },
  { number: 'OD-1430', name: 'Run capacitor 45 µF', price: 65, stock: 3, partsMonths: 12 },
  { number: 'OD-1422', name: 'Contactor 25 A', price: 180, stock: 1, partsMonths: 12 },
];
