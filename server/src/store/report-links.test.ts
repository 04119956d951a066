/** A report behind a link: whoever has it sees that report alone, until it is over or ended. */
import type { Problem, ReportLinkResource } from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import { FRIDGE_JOB, harness, type Harness } from '../../testing/harness';
import { raw } from './raw';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const SIGNED = demoWorld.jobs.find(({ complaint }) => complaint.startsWith('Bread pale'))!.id;
interface Made {
  readonly link: ReportLinkResource;
  readonly path: string;
}
const make = (job = SIGNED, days = 30) =>
  h.post<Made & Problem>(`/api/v1/jobs/${job}/report-links`, { days });
const look = async (token: string) => {
  const response = await h.bare.request('/api/v1/shared', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ token }),
  });
  return { status: response.status, body: (await response.json()) as Record<string, unknown> };
};
const tokenOf = ({ path }: Made) => path.split('#')[1]!;

test('nobody in particular sees the report, without pictures and drawn signatures', async () => {
  const { body } = await make();
  const token = tokenOf(body);
  // 256 bits.
  expect(Buffer.from(token, 'base64url')).toHaveLength(32);
  const { status, body: shown } = await look(token);
  expect(status).toBe(200);
  expect(shown).toMatchObject({
    customer: 'Padaria do Forno Velho',
    unit: { label: 'Deck oven' },
    report: {
      complaint: 'Bread pale underneath.',
      photos: [],
      signed: { technician: 'Lia Torres' },
    },
  });
  expect(JSON.stringify(shown)).not.toMatch('drawn');
  const { body: links } = await h.get<ReportLinkResource[]>(`/api/v1/jobs/${SIGNED}/report-links`);
  expect(links[0]).toMatchObject({ id: body.link.id, looks: 1, endedAt: null });
  // What it was made of is kept nowhere.
  const rows = await raw<{ token: string }[]>(h.store.sequelize, 'SELECT token FROM report_links');
  expect(JSON.stringify(rows)).not.toMatch(token);
});

test('ended, over, signed no more, or never made: nothing is shown, and not why', async () => {
  const ended = await make();
  expect((await h.send('DELETE', `/api/v1/report-links/${ended.body.link.id}`)).status).toBe(204);
  expect((await h.send('DELETE', `/api/v1/report-links/${ended.body.link.id}`)).status).toBe(404);
  const over = await make();
  await raw(h.store.sequelize, "UPDATE report_links SET until = '2020-01-01' WHERE id = ?", [
    over.body.link.id,
  ]);
  const answers = [
    await look(tokenOf(ended.body)),
    await look(tokenOf(over.body)),
    await look('A'.repeat(43)),
    await look(''),
  ];
  for (const { status, body } of answers)
    expect([status, body.detail]).toEqual([404, answers[0]!.body.detail]);
});

test('an open job has no report to show, and links are made for a while', async () => {
  expect((await make(FRIDGE_JOB)).body.code).toBe('not-signed');
  expect((await make(SIGNED, 0)).status).toBe(422);
  expect((await make(SIGNED, 4000)).status).toBe(422);
  expect((await make('none')).status).toBe(404);
});

test('of one report so many and no more', async () => {
  const { body: before } = await h.get<ReportLinkResource[]>(`/api/v1/jobs/${SIGNED}/report-links`);
  const open = before.filter(
    ({ endedAt, until }) => endedAt === null && Date.parse(until) > Date.now(),
  );
  for (let i = open.length; i < 20; i += 1) expect((await make()).status).toBe(201);
  expect((await make()).body.code).toBe('too-many');
});

test('a customer who is erased is shown to nobody', async () => {
  const job = demoWorld.jobs.find(({ complaint }) => complaint === 'Dead after the storm.')!;
  const { body } = await make(job.id);
  expect((await look(tokenOf(body))).status).toBe(200);
  const clara = demoWorld.customers.find(({ name }) => name === 'Clara Sarmento')!;
  await raw(h.store.sequelize, "UPDATE jobs SET status = 'signed' WHERE unitId = ?", [job.unitId]);
  expect((await h.send('POST', `/api/v1/customers/${clara.id}/erase`)).status).toBe(200);
  expect((await look(tokenOf(body))).status).toBe(404);
});
