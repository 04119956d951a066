/** The demo world: all invented. Figures are plausible, never copied from a real document. */
import houseMeter from '../house-meter.json';
import fridgeSheet from '../sheets/tarumbe-uf440i.json';
import { closedFridgeVisit } from './closed-fridge-visit';
import type { DemoWorld } from './types';

export type { DemoJob, DemoWorld } from './types';

/** Fixed ids, so that loading the world twice changes nothing. */
const id = (n: number) => `01930000-0000-7000-8000-${String(n).padStart(12, '0')}`;

const CAFE = id(1);
const INN = id(2);
const DAIRY = id(3);

export const demoWorld: DemoWorld = {
  shop: {
    name: 'Oficina Sete Pontes',
    town: 'Serra do Cipreste',
    technician: 'Davi Moura',
    meter: houseMeter as DemoWorld['shop']['meter'],
  },
  customers: [
    { id: CAFE, name: 'Café Três Candeias', phone: '' },
    { id: INN, name: 'Pousada do Lume', phone: '' },
    { id: DAIRY, name: 'Laticínio Pedra Mansa', phone: '' },
  ],
  sites: [
    {
      id: id(11),
      customerId: CAFE,
      name: 'Café Três Candeias',
      address: 'Ladeira das Candeias 14',
      town: 'Serra do Cipreste',
    },
    {
      id: id(12),
      customerId: INN,
      name: 'Pousada do Lume, roof',
      address: 'Rua da Fonte Quente 3',
      town: 'Serra do Cipreste',
    },
    {
      id: id(13),
      customerId: DAIRY,
      name: 'Laticínio Pedra Mansa, plant room',
      address: 'Estrada do Curral Velho',
      town: 'Serra do Cipreste',
    },
  ],
  units: [
    {
      id: id(21),
      siteId: id(11),
      label: 'Upright fridge',
      maker: 'Tarumbê',
      model: 'UF-440i',
      serial: 'UF4-20331',
      kind: 'upright fridge, inverter compressor',
      installedOn: '2023-05-12',
      warrantyUntil: '2025-05-12',
      sheetId: 'tarumbe-uf440i',
    },
    {
      id: id(22),
      siteId: id(12),
      label: 'Rooftop unit 2',
      maker: 'Norveda',
      model: 'NX3-10',
      serial: 'NX-00718',
      kind: 'rooftop multi-split, three-phase',
      installedOn: '2022-09-30',
      warrantyUntil: '2027-09-30',
      sheetId: null,
    },
    {
      id: id(23),
      siteId: id(13),
      label: 'Process chiller',
      maker: 'Brumal Sul',
      model: 'PC-36',
      serial: 'PC-1190',
      kind: 'process chiller, three circuits',
      installedOn: '2019-02-18',
      warrantyUntil: '2021-02-18',
      sheetId: null,
    },
  ],
  sheets: [fridgeSheet as unknown as DemoWorld['sheets'][number]],
  jobs: [
    {
      id: id(31),
      unitId: id(21),
      visitAt: '08:00',
      urgent: false,
      complaint: 'Warm inside since yesterday. The lamp works, but there is no hum.',
      entries: [],
    },
    {
      id: id(32),
      unitId: id(23),
      visitAt: '09:30',
      urgent: true,
      complaint: 'Circuit 2 down since 05:40, milk tank at 9 °C and rising.',
      entries: [],
    },
    {
      id: id(33),
      unitId: id(22),
      visitAt: '11:00',
      urgent: false,
      complaint: 'Trips at dawn, display shows 47 2. Resets by itself later.',
      entries: [],
    },
    closedFridgeVisit(id, id(21)),
  ],
};
