/** The document says what the server does: every route of it is called, and no route is missing. */
import {
  jobFile,
  type JobResource,
  OPERATIONS,
  pathOf,
  ROUTES,
  type RouteName,
} from '@jeitinho/core';
import { demoWorld, newestSheet } from '@jeitinho/demo';
import Ajv2020 from 'ajv/dist/2020';
import { createHash } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import { entry, FRIDGE, FRIDGE_JOB, harness, type Harness } from '../../testing/harness';
import { newLink } from '../auth/links';
import { hashPassword } from '../auth/passwords';
import { addPerson } from '../store/people';
import { makeReportLink } from '../store/report-links';
import { routeAt, wrongIn } from '../check-answers';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const SHEET = demoWorld.units[0]!.sheetId!;
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);
const HASH = createHash('sha256').update(PNG).digest('hex');
const meter = demoWorld.meters[1]!;
const bare = uuidv7();
const [twice, twiceAt, twiceUnit] = [uuidv7(), uuidv7(), uuidv7()];

/** A job of another shop, at a unit that is known here. */
const brought = (() => {
  const [site] = demoWorld.sites;
  const unit = demoWorld.units[0]!;
  const sheet = newestSheet(SHEET);
  const opened = entry('opened', { complaint: 'hums', meter: null, rules: 2 });
  const { photos: _photos, ...file } = jobFile({
    job: {
      ...{ id: uuidv7(), complaint: 'hums', urgent: false, openedAt: opened.at, technician: null },
      customer: demoWorld.customers[0]!,
      site: site!,
      unit: { ...unit, sheetId: SHEET },
    } as unknown as JobResource,
    sheet,
    entries: [{ ...opened, seq: 1 }],
    photos: [],
    savedAt: opened.at,
  });
  return file;
})();

interface Call {
  params?: Readonly<Record<string, string | number>>;
  readonly query?: Readonly<Record<string, string | number>>;
  body?: unknown;
  readonly type?: string;
  readonly before?: () => Promise<unknown>;
  /** What no test of this kind can do lawfully: how it is refused. */
  readonly refused?: number;
}
const refused = (status: number) => ({ refused: status });
const LONG = 'um longo caminho de volta';

/** One lawful call of every route. A new route without one stops the compiler. */
const CALLS: Record<RouteName, Call> = {
  health: {},
  ready: {},
  session: {},
  signInDemo: {
    body: { person: '', device: 'test' },
    before: async () => {
      const [made] = await h.store.people.findAll({ where: { demo: true } });
      CALLS.signInDemo.body = { person: made!.id, device: 'test' };
    },
  },
  signIn: {
    body: { login: 'ana', password: LONG, device: 'test' },
    before: async () => {
      const person = await addPerson(h.store, { name: 'Ana', roles: ['technician'] });
      await person.update({ login: 'ana', password: await hashPassword(LONG) });
    },
  },
  passkeyAsk: {},
  passkeySignIn: { ...refused(403), body: { id: uuidv7(), response: {}, device: 'test' } },
  lookAtLink: {
    before: async () => {
      const { path } = await newLink(h.store, 'owner', null);
      CALLS.lookAtLink.body = { token: path.split('#')[1] };
      CALLS.useLink.body = {
        ...{ token: path.split('#')[1], name: 'Bia Prado', login: 'bia' },
        ...{ password: LONG, device: 'test' },
      };
    },
  },
  useLink: {},
  setPassword: { ...refused(409), body: { old: 'x', password: LONG } },
  passkeys: {},
  newPasskey: { ...refused(409) },
  keepPasskey: { ...refused(403), body: { id: uuidv7(), response: {}, name: 'phone' } },
  dropPasskey: { ...refused(404), params: { id: 'none' } },
  devices: {},
  endDevice: { ...refused(404), params: { id: 'none' } },
  people: {},
  addPerson: { body: { name: 'Caio Nunes', roles: ['office'] } },
  editPerson: {
    before: async () => {
      const caio = await h.store.people.findOne({ where: { name: 'Caio Nunes' } });
      for (const route of ['editPerson', 'personDevices', 'linkForPerson', 'removePerson'] as const)
        CALLS[route].params = { id: caio!.id };
    },
    body: { licences: [{ name: 'Gas work', until: '2027-03-31' }] },
  },
  personDevices: {},
  linkForPerson: {},
  removePerson: {},
  audit: { query: { limit: 5 } },
  keeping: {},
  backUp: {},
  exportAll: {},
  importAll: { ...refused(409), body: Buffer.from('x'), type: 'application/x-tar' },
  shop: {},
  setPrices: {
    body: { rate: 110, giveUp: 1400, visit: 80, callback: 120, downtime: 0, currency: '€' },
  },
  priceList: { query: { limit: 2 } },
  setPriceList: {
    body: { rows: [{ number: 'TB-4410', price: 430, stock: 1 }], replace: false },
  },
  customers: { query: { limit: 2 } },
  addCustomer: { body: { name: 'Ana' } },
  customer: { params: { id: demoWorld.customers[0]!.id } },
  eraseCustomer: {
    before: async () => {
      const id = uuidv7();
      await h.post('/api/v1/customers', { id, name: 'Goes' });
      CALLS.eraseCustomer.params = { id };
    },
  },
  editCustomer: { params: { id: demoWorld.customers[0]!.id }, body: { phone: '555 0100' } },
  mergeCustomer: {
    params: { id: demoWorld.customers[0]!.id },
    body: { double: twice },
    before: () => h.post('/api/v1/customers', { id: twice, name: 'Twice' }),
  },
  sites: { query: { customer: demoWorld.customers[0]!.id } },
  addSite: { body: { customerId: demoWorld.customers[0]!.id, name: 'Workshop' } },
  site: { params: { id: demoWorld.sites[0]!.id } },
  editSite: { params: { id: demoWorld.sites[0]!.id }, body: { town: 'Elsewhere' } },
  mergeSite: {
    params: { id: demoWorld.sites[0]!.id },
    body: { double: twiceAt },
    before: () =>
      h.post('/api/v1/sites', {
        id: twiceAt,
        customerId: demoWorld.customers[0]!.id,
        name: 'Twice',
      }),
  },
  units: { query: { q: 'fridge' } },
  addUnit: {
    body: {
      id: bare,
      siteId: demoWorld.sites[0]!.id,
      label: 'Press',
      maker: 'Nobody',
      model: 'P-1',
      kind: 'press',
    },
  },
  unit: { params: { id: FRIDGE } },
  editUnit: { params: { id: FRIDGE }, body: { serial: 'X-1' } },
  mergeUnit: {
    params: { id: FRIDGE },
    body: { double: twiceUnit },
    before: () =>
      h.post('/api/v1/units', {
        id: twiceUnit,
        siteId: demoWorld.sites[0]!.id,
        label: 'Twice',
        maker: 'Nobody',
        model: 'P-1',
        kind: 'press',
      }),
  },
  places: { query: { q: 'fridge' } },
  importPlaces: {
    body: {
      rows: [
        {
          customer: 'Rita Bastos',
          phone: '',
          site: 'House',
          address: '',
          town: '',
          label: 'Oven',
          maker: 'Panvale',
          model: 'DO-3',
          serial: '',
          kind: 'oven',
          installed: '2021-03-04',
          warranty: '',
        },
      ],
    },
  },
  meters: {},
  keepMeter: { params: { id: meter.id }, body: meter },
  takeMeter: { params: { id: meter.id } },
  dropMeter: { params: { id: meter.id } },
  keepPhoto: { params: { hash: HASH }, body: PNG },
  photo: { params: { hash: HASH } },
  sheets: { query: { limit: 3 } },
  saveSheet: { body: newestSheet(SHEET) },
  sheet: { params: { id: SHEET } },
  sheetUnits: { params: { id: SHEET } },
  substitutes: { params: { id: SHEET }, query: { part: 'inv-board' } },
  sheetPins: { params: { id: SHEET } },
  giveSheet: { params: { id: SHEET }, body: { units: [FRIDGE] } },
  revisions: { params: { id: SHEET } },
  revision: { params: { id: SHEET, revision: 1 } },
  dictionary: { params: { id: SHEET, revision: 1 } },
  keepDictionary: {
    params: { id: SHEET, revision: 1 },
    body: { draws: 1, seed: 1, faults: {}, failed: {} },
  },
  proposals: {},
  propose: {
    body: { ...newestSheet(SHEET), revision: newestSheet(SHEET).revision + 1 },
    query: { note: 'A clearer name' },
  },
  proposal: {
    before: async () => {
      const [row] = await h.store.proposals.findAll();
      CALLS.proposal.params = { id: row!.id };
      CALLS.decideProposal.params = { id: row!.id };
    },
  },
  decideProposal: { body: { take: false, reason: 'It is clear enough.' } },
  learnt: { params: { id: SHEET } },
  // No job of it was proven yet.
  adoptOdds: {
    ...refused(409),
    params: { id: SHEET },
    body: { take: 'learnt', jobs: 0, note: '' },
  },
  modelYears: { params: { id: SHEET } },
  unitYears: { params: { id: FRIDGE } },
  siteYears: { params: { id: demoWorld.sites[0]!.id } },
  find: { query: { q: 'fridge' } },
  records: { params: { table: 'visits' }, query: { q: 'fridge', sort: 'model' } },
  recordsCsv: { params: { table: 'parts' } },
  patterns: {},
  right: {},
  makeReportLink: {
    body: { days: 30 },
    before: async () => {
      const signed = await h.store.jobs.findOne({ where: { status: 'signed' } });
      CALLS.makeReportLink.params = { id: signed!.id };
      CALLS.reportLinks.params = { id: signed!.id };
    },
  },
  reportLinks: {},
  sharedReport: {
    before: async () => {
      const signed = await h.store.jobs.findOne({ where: { status: 'signed' } });
      const { link, path } = await makeReportLink(h.store, signed!.id, 1, 'Ana');
      CALLS.sharedReport.body = { token: path.split('#')[1] };
      CALLS.endReportLink.params = { id: link.id };
    },
  },
  endReportLink: {},
  jobs: { query: { status: 'open', limit: 2 } },
  openJob: { body: { id: bare, unitId: bare, complaint: 'Does not close' } },
  job: { params: { id: FRIDGE_JOB } },
  planJob: { params: { id: FRIDGE_JOB }, body: { visitAt: '2026-11-27T13:00:00Z' } },
  handOver: { params: { id: FRIDGE_JOB }, body: { to: 'Rute Sabiá', note: '' } },
  attachSheet: { params: { id: bare }, body: { sheetId: SHEET } },
  importJob: { body: brought },
  report: { params: { id: FRIDGE_JOB } },
  append: { params: { id: FRIDGE_JOB }, body: { entries: [entry('observed', { text: 'hums' })] } },
  entries: { params: { id: FRIDGE_JOB }, query: { after: 0 } },
  // Last: nobody asks after it.
  signOut: {},
};

test.each(Object.keys(CALLS) as RouteName[])('%s answers as it is published', async (route) => {
  await CALLS[route].before?.();
  const { params = {}, query = {}, body, type = 'image/png', refused } = CALLS[route];
  const path = `/api/v1${pathOf(route, params as never, query)}`;
  const { method } = ROUTES[route];
  const file = body instanceof Buffer;
  // A device that signs in gives up who was signed in on it: here the owner goes on.
  const fresh = /^(signIn|passkeySign|useLink)/.test(route);
  const response = await h.app.request(path, {
    method,
    headers: {
      ...(body !== undefined && { 'content-type': file ? type : 'application/json' }),
      ...(fresh && { cookie: 'none=1' }),
    },
    ...(body !== undefined && {
      body: file ? new Uint8Array(body) : JSON.stringify(body),
    }),
  });
  if (refused !== undefined) expect([route, response.status]).toEqual([route, refused]);
  else
    expect([route, response.status, response.ok ? '' : await response.clone().text()]).toEqual([
      route,
      expect.any(Number) as number,
      '',
    ]);
  expect(await wrongIn(OPERATIONS[route], response)).toBeUndefined();
  expect(routeAt(method, path.split('?')[0]!)).toBe(route);
});

test('every route that the server has is in the document, and no other', async () => {
  const { body } = await h.get<{ paths: Record<string, Record<string, object>> }>(
    '/api/v1/openapi.json',
  );
  const told = Object.entries(body.paths).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
  );
  const served = h.app.routes
    .filter(({ path, method }) => path.startsWith('/api/v1/') && method !== 'ALL')
    .map(
      ({ path, method }) => `${method} ${path.slice('/api/v1'.length).replace(/:(\w+)/g, '{$1}')}`,
    )
    .filter((each) => !/ \/(openapi\.json)?$/.test(each));
  expect([...new Set(served)].sort()).toEqual([...told].sort());
});

test('the document is sound OpenAPI 3.1: its shapes are JSON Schema, its references lead somewhere', async () => {
  const { body } = await h.get<{ openapi: string; components: { schemas: object } }>(
    '/api/v1/openapi.json',
  );
  expect(body.openapi).toBe('3.1.0');
  const ajv = new Ajv2020({ strict: false });
  const { schemas } = body.components;
  for (const [name, schema] of Object.entries(schemas))
    expect([name, ajv.validateSchema(schema as object)]).toEqual([name, true]);
  const names = new Set(Object.keys(schemas).map((name) => `#/components/schemas/${name}`));
  for (const [, ref] of JSON.stringify(body).matchAll(/"\$ref":"([^"]+)"/g))
    expect(names).toContain(ref);
});

test('there is a page to read it, with every route on it', async () => {
  const response = await h.app.request('/api/v1');
  const text = await response.text();
  expect(response.headers.get('content-type')).toMatch('text/html');
  for (const { path } of Object.values(ROUTES)) expect(text).toContain(path);
});

test('what does not answer as published is found out', async () => {
  const json = (status: number, body: unknown) =>
    new Response(JSON.stringify(body), {
      status,
      headers: { 'content-type': 'application/json' },
    });
  expect(await wrongIn(OPERATIONS.shop, json(200, { name: 1 }))).toMatch('/name');
  expect(await wrongIn(OPERATIONS.shop, json(202, {}))).toMatch('202');
  expect(await wrongIn(OPERATIONS.dropMeter, new Response('x', { status: 200 }))).toMatch('200');
  expect(await wrongIn(OPERATIONS.shop, json(404, { code: 'x' }))).toMatch('“type” is missing');
});
