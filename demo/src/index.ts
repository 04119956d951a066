/** The demo world: all invented. Figures are plausible, never copied from a real document. */
import { NAMELESS_SHOP } from '@jeitinho/core';
import { closedVisits } from './closed-visits';
import { meters } from './meters';
import { openVisits } from './open-visits';
import { pastVisits } from './past-visits';
import { prices } from './prices';
import { sheets } from './sheets';
import type { DemoWorld } from './types';
import { customers, sites, units } from './units';

export { nextProvingStep, provingSteps, type ProvenFigures, type ProvingStep } from './prove-dead';
export { newestSheet, newestWritten } from './sheets';
export type { DemoJob, DemoWorld } from './types';

let jobs: DemoWorld['jobs'] | undefined;

export const demoWorld: DemoWorld = {
  shop: {
    name: 'Oficina Sete Pontes',
    town: 'Serra do Cipreste',
    meter: meters[0]!,
    prices: { ...NAMELESS_SHOP.prices, currency: 'R$' },
  },
  people: [
    {
      name: 'Davi Moura',
      roles: ['owner', 'lead', 'technician'],
      licences: [
        { name: 'Refrigerant circuit', until: null },
        { name: 'Gas work', until: '2026-03-31' },
      ],
    },
    { name: 'Rute Sabiá', roles: ['technician'], licences: [] },
    { name: 'Otávio Lins', roles: ['office'], licences: [] },
  ],
  prices,
  meters,
  customers,
  sites,
  units: Object.values(units),
  sheets,
  get jobs() {
    return (jobs ??= [...openVisits, ...closedVisits()]);
  },
  past: pastVisits,
};
