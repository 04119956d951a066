/** Appending: what two servers and two jobs do to each other, and what it costs the database. */
import type { AppendedResource, EntriesResource, JobResource } from '@jeitinho/core';
import type { LogEntry } from '@jeitinho/core/job';
import { entry, FRIDGE, harness, type Harness } from '../../testing/harness';
import { appendEntries } from './append';
import { connect } from './database';
import { entryPage } from './entry-rows';
import { withJobState } from './hot-jobs';
import { defineModels, type Store } from './models/index';
import { projectNow, refreshSummaries } from './projections';
import { raw } from './raw';

let h: Harness;
/** Another server on the same database. */
let other: Store;
let job: string;
beforeAll(async () => {
  h = await harness();
  other = defineModels(connect(h.address));
});
afterAll(async () => {
  await other.sequelize.close();
  await h.close();
});
beforeEach(async () => {
  job = (await h.post<JobResource>('/api/v1/jobs', { unitId: FRIDGE, complaint: 'x' })).body.id;
});

const note = (text: string, more: object = {}): LogEntry =>
  ({ ...entry('observed', { text }), ...more }) as LogEntry;
const wholeLog = async (store: Store, id: string) => (await entryPage(store, id, 0)).entries;

test('two servers on one database number the entries of a job one after the other', async () => {
  const batches = Array.from({ length: 24 }, (_, i) => [
    note(`a${i}`, { device: `d${i % 3}` }),
    note(`b${i}`, { device: `d${i % 3}` }),
  ]);
  await Promise.all(
    batches.map((batch, i) => appendEntries(i % 2 === 0 ? h.store : other, job, batch)),
  );
  const log = await wholeLog(h.store, job);
  expect(log.map(({ seq }) => seq)).toEqual(Array.from({ length: 49 }, (_, i) => i + 1));
  for (const [a, b] of batches) {
    const at = log.findIndex(({ id }) => id === a!.id);
    expect(log[at + 1]?.id).toBe(b!.id);
  }
});

test('an entry sent to both servers at once is stored once, and both say the same number', async () => {
  const same = note('once');
  const [one, two] = await Promise.all([
    appendEntries(h.store, job, [same]),
    appendEntries(other, job, [same]),
  ]);
  expect(one!.accepted).toEqual(two!.accepted);
  expect(await wholeLog(h.store, job)).toHaveLength(2);
});

test('how many presses an entry took is kept; none where nobody counted, and nonsense is refused', async () => {
  const path = `/api/v1/jobs/${job}/entries`;
  const sent = [note('a', { presses: 7 }), note('b', { presses: 0 }), note('c')];
  expect((await h.post(path, { entries: sent })).status).toBe(200);
  const { entries } = (await h.get<EntriesResource>(path)).body;
  expect(entries.slice(1).map(({ presses }) => presses)).toEqual([7, 0, undefined]);
  for (const presses of [-1, 1.5, 10_000, '3'])
    expect((await h.post(path, { entries: [note('d', { presses })] })).status).toBe(422);
});

test('what another server appended is judged by, and seen', async () => {
  const mine = note('mine');
  const takeBack = () => [entry('withdrawn', { entry: mine.id, reason: '' })];
  await appendEntries(h.store, job, [mine]);
  await appendEntries(other, job, takeBack());
  // It would be let in by what this server remembers.
  await expect(appendEntries(h.store, job, takeBack())).rejects.toMatchObject({
    problem: { status: 409, code: 'nothing-to-withdraw' },
  });
  expect(await withJobState(h.store, job, (state) => state.log.length)).toBe(3);
});

test('one id on two jobs at once: one of them has it, the other is told which entry', async () => {
  const second = (await h.post<JobResource>('/api/v1/jobs', { unitId: FRIDGE, complaint: 'y' }))
    .body.id;
  const twice = note('twice');
  const answers = await Promise.all(
    [job, second].map((id) =>
      h.post<AppendedResource & { code?: string; entry?: object }>(`/api/v1/jobs/${id}/entries`, {
        entries: [note('before'), twice],
      }),
    ),
  );
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
  const refused = answers.find(({ status }) => status === 409)!;
  expect(refused.body).toMatchObject({ code: 'id-used', entry: { index: 1, id: twice.id } });
  const log = await wholeLog(h.store, answers[0]!.status === 409 ? job : second);
  expect(log).toHaveLength(1);
});

test('a refused batch leaves nothing behind, in the log or in what is remembered of it', async () => {
  const good = note('good');
  await expect(
    appendEntries(h.store, job, [
      good,
      entry('withdrawn', { entry: good.id, reason: '' }),
      entry('clock-stopped', { clock: good.id }),
    ]),
  ).rejects.toMatchObject({ problem: { entry: { index: 2 } } });
  expect(await wholeLog(h.store, job)).toHaveLength(1);
  await appendEntries(h.store, job, [good]);
  expect(await withJobState(h.store, job, ({ observed }) => observed.length)).toBe(1);
});

test('a batch costs one statement once its job is known, however long its log', async () => {
  await appendEntries(h.store, job, [note('first')]);
  const statements = async () =>
    Number(
      (
        await raw<{ Value: string }[]>(
          h.sequelize,
          "SHOW GLOBAL STATUS WHERE Variable_name = 'Questions'",
        )
      )[0]!.Value,
    );
  // The test's own question counts as well. Tests beside this one ask the same database: they only ever
  // add, so that the least of several batches is what a batch costs.
  const costs: number[] = [];
  for (let i = 0; i < 10; i += 1) {
    const before = await statements();
    await appendEntries(h.store, job, [note('a'), note('b'), note('c')]);
    costs.push((await statements()) - before);
  }
  expect(Math.min(...costs)).toBe(2);
});

test('a projection that a crash left behind is made again at the next start', async () => {
  await projectNow(other);
  await projectNow(h.store);
  await appendEntries(h.store, job, [entry('code', { shown: '21' })]);
  // The server ends before it comes to the projection.
  h.store.memory.dirty.clear();
  expect((await other.jobs.findByPk(job))!.summary?.codes).toEqual([]);
  expect(await refreshSummaries(other)).toBe(1);
  expect((await other.jobs.findByPk(job))!.summary?.codes).toEqual(['21']);
  expect(await refreshSummaries(other)).toBe(0);
});

test('a server that knows less of a log does not undo what another projected', async () => {
  await appendEntries(h.store, job, [note('x')]);
  await appendEntries(other, job, [entry('code', { shown: '21' })]);
  await projectNow(other);
  await projectNow(h.store);
  expect((await h.store.jobs.findByPk(job))!.summary?.codes).toEqual(['21']);
});

test('a log is read in parts, by number and by size', async () => {
  const samples = Array.from({ length: 5000 }, (_, i) => ({ t: i, value: 4.987654321 + i }));
  await raw(
    h.sequelize,
    `INSERT INTO entries (jobId, seq, id, kind, at, author, body, receivedAt)
     SELECT ?, seq, UUID(), 'observed', NOW(3), 'Ana', ?, NOW(3) FROM seq_2_to_12`,
    [job, JSON.stringify({ samples })],
  );
  let [after, parts, count] = [0, 0, 0];
  for (;;) {
    const { body } = await h.get<EntriesResource>(`/api/v1/jobs/${job}/entries?after=${after}`);
    expect(body.last).toBe(12);
    parts += 1;
    count += body.entries.length;
    after = body.entries.at(-1)!.seq;
    if (after === 12) break;
  }
  expect(count).toBe(12);
  expect(parts).toBeGreaterThan(1);
});
