/** Customers, sites and units of Serra do Cipreste. All invented. */
import { id } from './ids';

const TOWN = 'Serra do Cipreste';

interface Place {
  readonly customer: number;
  readonly site: number;
  readonly name: string;
  readonly where?: string;
  readonly address: string;
}

const PLACES = {
  cafe: { customer: 1, site: 11, name: 'Café Três Candeias', address: 'Ladeira das Candeias 14' },
  innRoof: {
    customer: 2,
    site: 12,
    name: 'Pousada do Lume',
    where: 'roof',
    address: 'Rua da Fonte Quente 3',
  },
  innBoiler: {
    customer: 2,
    site: 101,
    name: 'Pousada do Lume',
    where: 'boiler room',
    address: 'Rua da Fonte Quente 3',
  },
  innPool: {
    customer: 2,
    site: 102,
    name: 'Pousada do Lume',
    where: 'pool',
    address: 'Rua da Fonte Quente 3',
  },
  dairy: {
    customer: 3,
    site: 13,
    name: 'Laticínio Pedra Mansa',
    where: 'plant room',
    address: 'Estrada do Curral Velho',
  },
  dairyCold: {
    customer: 3,
    site: 103,
    name: 'Laticínio Pedra Mansa',
    where: 'cold room',
    address: 'Estrada do Curral Velho',
  },
  school: { customer: 4, site: 104, name: 'Escola do Vale Alto', address: 'Praça do Cedro 1' },
  laundry: { customer: 5, site: 105, name: 'Lavanderia Água Clara', address: 'Rua do Ribeiro 22' },
  bakery: { customer: 6, site: 106, name: 'Padaria do Forno Velho', address: 'Largo da Capela 5' },
  sarmento: {
    customer: 7,
    site: 107,
    name: 'Clara Sarmento',
    where: 'house',
    address: 'Travessa das Hortênsias 8',
  },
  quintela: {
    customer: 8,
    site: 108,
    name: 'Tomás Quintela',
    where: 'house',
    address: 'Caminho da Serra 40',
  },
  cineclub: { customer: 9, site: 109, name: 'Cineclube Lanterna', address: 'Rua Direita 61' },
  townHall: {
    customer: 10,
    site: 110,
    name: 'Prefeitura de Serra do Cipreste',
    address: 'Praça do Cedro 2',
  },
} satisfies Record<string, Place>;

const placeList: readonly Place[] = Object.values(PLACES);

export const customers = [...new Map(placeList.map((place) => [place.customer, place.name]))].map(
  ([n, name]) => ({ id: id(n), name, phone: '' }),
);

export const sites = placeList.map(({ customer, site, name, where, address }) => ({
  id: id(site),
  customerId: id(customer),
  name: where === undefined ? name : `${name}, ${where}`,
  address,
  town: TOWN,
}));

const unit = (
  n: number,
  place: Place,
  label: string,
  [maker, model, serial]: readonly [string, string, string],
  kind: string,
  sheetId: string | null,
  [installedOn, warrantyUntil]: readonly [string, string],
) => ({
  id: id(n),
  siteId: id(place.site),
  label,
  maker,
  model,
  serial,
  kind,
  installedOn,
  warrantyUntil,
  sheetId,
});

const rooftop = (n: number, nth: number, serial: string) =>
  unit(
    n,
    PLACES.innRoof,
    `Rooftop unit ${nth}`,
    ['Norveda', 'NX3-10', serial],
    'rooftop multi-split, three-phase',
    'norveda-nx3',
    ['2022-09-30', '2027-09-30'],
  );

export const units = {
  fridge: unit(
    21,
    PLACES.cafe,
    'Upright fridge',
    ['Tarumbê', 'UF-440i', 'UF4-20331'],
    'upright fridge, inverter compressor',
    'tarumbe-uf440i',
    ['2023-05-12', '2025-05-12'],
  ),
  rooftop1: rooftop(121, 1, 'NX-00717'),
  rooftop2: rooftop(22, 2, 'NX-00718'),
  rooftop3: rooftop(122, 3, 'NX-00719'),
  chiller: unit(
    23,
    PLACES.dairy,
    'Process chiller',
    ['Brumal Sul', 'PC-36', 'PC-1190'],
    'process chiller, three circuits',
    'brumal-pc36',
    ['2019-02-18', '2021-02-18'],
  ),
  coldRoom: unit(
    123,
    PLACES.dairyCold,
    'Cold room 1',
    ['Geadal', 'CR-3', 'CR3-5502'],
    'cold-room controller',
    'geadal-cr3',
    ['2021-10-04', '2023-10-04'],
  ),
  boiler: unit(
    124,
    PLACES.innBoiler,
    'Boiler',
    ['Termalva', 'TB-24', 'TB-33018'],
    'gas boiler',
    'termalva-tb24',
    ['2020-11-12', '2025-11-12'],
  ),
  poolPump: unit(
    125,
    PLACES.innPool,
    'Pool heat pump',
    ['Ondar', 'PB-14', 'PB-0872'],
    'pool heat pump, single-phase',
    'ondar-pb14',
    ['2020-03-02', '2022-03-02'],
  ),
  /** Without a sheet: one is made from its pin table, on site. */
  cooler: unit(
    134,
    PLACES.school,
    'Corridor water cooler',
    ['Fontelar', 'FB-2', 'FB-1107'],
    'water cooler',
    null,
    ['2016-05-05', '2018-05-05'],
  ),
  furnace: unit(
    126,
    PLACES.school,
    'Gym furnace',
    ['Lenharte', 'WF-80', 'WF-2219'],
    'warm-air furnace',
    'lenharte-wf80',
    ['2019-08-20', '2024-08-20'],
  ),
  dryer: unit(
    127,
    PLACES.laundry,
    'Dryer 4',
    ['Secavento', 'GD-7', 'GD-9124'],
    'gas dryer',
    'secavento-gd7',
    ['2021-01-15', '2023-01-15'],
  ),
  oven: unit(
    128,
    PLACES.bakery,
    'Deck oven',
    ['Panvale', 'DO-3', 'DO-0416'],
    'electric deck oven',
    'panvale-do3',
    ['2018-09-10', '2020-09-10'],
  ),
  wallSplit: unit(
    129,
    PLACES.sarmento,
    'Bedroom wall split',
    ['Brisarel', 'WS-09', 'WS-77120'],
    'wall split, indoor unit',
    'brisarel-ws09',
    ['2022-12-01', '2025-12-01'],
  ),
  heatPump: unit(
    130,
    PLACES.quintela,
    'Heat pump',
    ['Ventumbra', 'AS-08', 'AS-4410'],
    'air-source heat pump',
    'ventumbra-as08',
    ['2017-10-23', '2019-10-23'],
  ),
  television: unit(
    131,
    PLACES.cineclub,
    'Foyer television',
    ['Visorim', 'LT-55', 'LT-118204'],
    'LED television',
    'visorim-lt55',
    ['2022-04-02', '2024-04-02'],
  ),
  plasma: unit(
    132,
    PLACES.cineclub,
    'Old hall display',
    ['Corvelo', 'PD-42', 'PD-00931'],
    'plasma-type display',
    'corvelo-pd42',
    ['2009-11-20', '2011-11-20'],
  ),
  vacuum: unit(
    133,
    PLACES.townHall,
    'Vacuum cleaner 2',
    ['Varredim', 'VC-2', 'VC-60713'],
    'upright vacuum cleaner',
    'varredim-vc2',
    ['2023-02-06', '2025-02-06'],
  ),
};
