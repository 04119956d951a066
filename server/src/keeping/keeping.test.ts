/** Backups under load, restored and compared; files that are not whole; an export in and out; who is erased. */
import {
  createReadStream,
  createWriteStream,
  mkdtempSync,
  readFileSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { gunzipSync, gzipSync } from 'node:zlib';
import { Readable } from 'node:stream';
import type { Problem } from '@jeitinho/core';
import { demoWorld } from '@jeitinho/demo';
import type { Sequelize } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import { entry, freshAddress, FRIDGE_JOB, harness, type Harness } from '../../testing/harness';
import { connect, createDatabase } from '../store/database';
import { raw } from '../store/raw';
import { hashOf, keepPhoto, readPhoto } from '../store/photos';
import { projectNow } from '../store/projections';
import { ArchiveWriter } from './archive';
import { readBackup, writeBackup } from './backup-file';
import { momentOf, nextNight, tooMany } from './nightly';
import { restore } from './restore';
import { asText, columnsOf, TABLES } from './tables';

const folder = mkdtempSync(join(tmpdir(), 'keeping.'));
const jpeg = (text: string) =>
  Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.from(text)]);

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const write = (text: string) =>
  h.post(`/api/v1/jobs/${FRIDGE_JOB}/entries`, { entries: [entry('observed', { text })] });

/** Every row of every table, as text. */
async function contents(sequelize: Sequelize): Promise<Record<string, string[]>> {
  const all: Record<string, string[]> = {};
  for (const { name } of TABLES) {
    const columns = await columnsOf(sequelize, name);
    const rows = await raw<object[]>(
      sequelize,
      `SELECT ${columns.map(asText).join(', ')} FROM \`${name}\``,
    );
    all[name] = rows.map((row) => JSON.stringify(row)).sort();
  }
  return all;
}

async function emptyDatabase(): Promise<Sequelize> {
  const address = freshAddress();
  await createDatabase(address);
  return connect(address);
}

describe('a backup', () => {
  test('made while entries come in is of one moment, and comes back entry by entry', async () => {
    const picture = jpeg('C1 bulged');
    await keepPhoto(h.store, hashOf(picture), picture);
    await h.somebody('Olga Rui', 'technician');
    let writing = true;
    const load = (async () => {
      for (let i = 0; writing; i += 1) await write(`meanwhile ${i}`);
    })();
    const path = join(folder, 'under-load.backup');
    const { manifest } = await writeBackup(h.sequelize, path);
    writing = false;
    await load;
    const back = await emptyDatabase();
    await restore(back, path);
    const [then, now] = [await contents(back), await contents(h.sequelize)];
    expect(then.entries).toHaveLength(manifest.rows.entries!);
    // All that was there then is there as it was, and nothing else.
    for (const row of then.entries!) expect(now.entries).toContain(row);
    const seqs = then
      .entries!.map((row) => JSON.parse(row) as { jobId: string; seq: number })
      .filter(({ jobId }) => jobId === FRIDGE_JOB)
      .map(({ seq }) => seq)
      .sort((a, b) => a - b);
    expect(seqs).toEqual(seqs.map((_, i) => i + 1));
    await back.close();
  });

  test('in peace is the same in every table, pictures and ways in included', async () => {
    const path = join(folder, 'quiet.backup');
    await projectNow(h.store);
    await writeBackup(h.sequelize, path);
    const back = await emptyDatabase();
    await restore(back, path);
    expect(await contents(back)).toEqual(await contents(h.sequelize));
    const hash = hashOf(jpeg('C1 bulged'));
    const [row] = await raw<{ bytes: Buffer }[]>(back, 'SELECT bytes FROM photos WHERE hash = ?', [
      hash,
    ]);
    expect(hashOf(row!.bytes)).toBe(hash);
    await back.close();
  });

  test('cut short, with a flipped byte, of a newer version, or no backup at all: told, and nothing is made', async () => {
    const path = join(folder, 'whole.backup');
    await writeBackup(h.sequelize, path);
    const bytes = readFileSync(path);
    const tar = gunzipSync(bytes);
    const flipped = Buffer.from(tar);
    flipped[Math.floor(tar.length / 2)]! ^= 1;
    const newer = new ArchiveWriter();
    const head = {
      format: 1,
      kind: 'backup',
      version: '9.0.0',
      madeAt: '',
      migrations: ['0099-future'],
    };
    void newer.add('head.json', JSON.stringify(head)).then(() => newer.finish());
    await pipeline(Readable.from(newer.stream), createWriteStream(join(folder, 'newer.tar')));
    const cases: [string, Buffer, string][] = [
      ['cut', bytes.subarray(0, bytes.length - 2000), 'damaged'],
      [
        'cut-tar',
        gzipSync(tar.subarray(0, Math.floor(tar.length / 1024) * 512)),
        'damaged|cut-short',
      ],
      ['flipped', gzipSync(flipped), 'damaged'],
      ['flipped-gz', Buffer.from(bytes.map((b, i) => (i === 5000 ? b ^ 4 : b))), 'damaged'],
      ['newer', gzipSync(readFileSync(join(folder, 'newer.tar'))), 'newer'],
      ['words', gzipSync(Buffer.from('what was it again?'.repeat(100))), 'not-ours|damaged'],
      ['plain', Buffer.from('no archive'), 'damaged'],
    ];
    for (const [name, content, code] of cases) {
      const file = join(folder, `${name}.backup`);
      writeFileSync(file, content);
      const back = await emptyDatabase();
      const error: unknown = await restore(back, file).catch((each: unknown) => each);
      expect([name, (error as { code: string }).code]).toEqual([name, expect.stringMatching(code)]);
      const tables = await back.getQueryInterface().showAllTables();
      expect([name, tables]).toEqual([name, []]);
      await back.close();
    }
  });

  test('every night: seven days and five weeks stay', () => {
    const nights = Array.from(
      { length: 60 },
      (_, i) =>
        `jeitinho-${new Date(Date.UTC(2026, 10, 28 - i, 2, 30)).toISOString().slice(0, 19).replaceAll(':', '')}.backup`,
    );
    const stay = nights.filter((file) => !tooMany(nights).includes(file));
    expect(stay.slice(0, 7)).toEqual(nights.slice(0, 7));
    expect(stay.length).toBeGreaterThanOrEqual(10);
    expect(stay.length).toBeLessThanOrEqual(12);
    expect(momentOf('notes.txt')).toBeUndefined();
    expect(tooMany(['notes.txt'])).toEqual([]);
    const evening = new Date(2026, 10, 28, 22, 0);
    expect(nextNight(evening)).toEqual(new Date(2026, 10, 29, 2, 30));
  });

  test('asked for by the owner it stands in the list, read again and whole', async () => {
    const made = await h.post<{ file: string; whole: boolean }>('/api/v1/keeping/backups', {});
    expect([made.status, made.body.whole]).toEqual([201, true]);
    const { body } = await h.get<{ backups: object[]; counts: { photos: number } }>(
      '/api/v1/keeping',
    );
    expect(body.backups).toContainEqual(
      expect.objectContaining({ file: made.body.file, whole: true }),
    );
    expect(body.counts.photos).toBeGreaterThan(0);
    await readBackup(join(h.backups.folder!, made.body.file));
  });
});

describe('pictures', () => {
  const now = Date.now();
  const later = now + 91 * 86_400_000;

  test('of withdrawn entries are cleared after their term, others never', async () => {
    const { clearWithdrawnPhotos } = await import('../store/photos');
    const [gone, shared] = [jpeg('gone'), jpeg('shared')];
    for (const each of [gone, shared]) await keepPhoto(h.store, hashOf(each), each);
    const photo = (bytes: Buffer) =>
      entry('photo', {
        hash: hashOf(bytes),
        width: 1,
        height: 1,
        bytes: bytes.length,
        caption: '',
      });
    const [first, second, third] = [photo(gone), photo(shared), photo(shared)];
    await h.post(`/api/v1/jobs/${FRIDGE_JOB}/entries`, {
      entries: [
        ...[first, second, third],
        ...[first, second].map(({ id }) => entry('withdrawn', { entry: id, reason: '' })),
      ],
    });
    expect(await clearWithdrawnPhotos(h.store, now)).toBe(0);
    expect(await clearWithdrawnPhotos(h.store, later)).toBe(1);
    expect(await readPhoto(h.store, hashOf(gone))).toBeUndefined();
    expect(await readPhoto(h.store, hashOf(shared))).toBeDefined();
  });

  test('kept as files by an earlier version are taken in, whole ones alone', async () => {
    const { mkdirSync, existsSync } = await import('node:fs');
    const { takeInPhotoFiles } = await import('../store/photos');
    const old = join(folder, 'photos');
    const picture = jpeg('from before');
    const hash = hashOf(picture);
    mkdirSync(join(old, hash.slice(0, 2)), { recursive: true });
    writeFileSync(join(old, hash.slice(0, 2), hash), picture);
    writeFileSync(join(old, hash.slice(0, 2), `${hash}.${uuidv7()}`), picture.subarray(0, 3));
    expect(await takeInPhotoFiles(h.store, old)).toBe(1);
    expect(await readPhoto(h.store, hash)).toEqual(picture);
    expect(existsSync(old)).toBe(false);
    expect(await takeInPhotoFiles(h.store, old)).toBe(0);
  });
});

describe('a customer erased', () => {
  const customer = demoWorld.customers[0]!;
  const erase = (id: string) => h.post(`/api/v1/customers/${id}/erase`, {});

  test('with a visit open is refused, and nothing changes', async () => {
    const { status, body } = await erase(customer.id);
    expect([status, body.code]).toEqual([409, 'visits-open']);
    expect((await h.store.customers.findByPk(customer.id))!.name).toBe(customer.name);
  });

  test('loses name, number and address, in the logs of signed visits too; measurements stay', async () => {
    const site = demoWorld.sites.find(({ customerId }) => customerId === customer.id)!;
    const jobs = await h.store.jobs.findAll({ include: ['unit'] });
    const theirs: string[] = [];
    for (const job of jobs) {
      const unit = (await h.store.units.findByPk(job.unitId))!;
      const at = (await h.store.sites.findByPk(unit.siteId))!;
      if (at.customerId === customer.id) theirs.push(job.id);
    }
    await h.store.entries.update(
      { body: { text: `${customer.name} says it hums; ring ${customer.phone}` } },
      { where: { jobId: theirs[0]!, kind: 'observed' } },
    );
    await write(`Key at ${site.address}`);
    const readings = await h.store.entries.findAll({ where: { jobId: theirs, kind: 'reading' } });
    await h.store.jobs.update({ status: 'signed' }, { where: { id: theirs } });
    const { status, body } = await erase(customer.id);
    expect([status, (body as unknown as { visits: number }).visits]).toEqual([200, theirs.length]);
    const told = JSON.stringify([
      await h.store.customers.findAll(),
      await h.store.sites.findAll(),
      await h.store.entries.findAll(),
      await h.store.jobs.findAll(),
      await h.store.audit.findAll(),
    ]);
    for (const name of [customer.name, customer.phone, site.address].filter(Boolean))
      expect([name, told.includes(name)]).toEqual([name, false]);
    const after = await h.store.entries.findAll({ where: { jobId: theirs, kind: 'reading' } });
    expect(after.map((each) => each.value)).toEqual(readings.map((each) => each.value));
    expect((await erase(customer.id)).body.code).toBe('erased');
    expect((await h.get(`/api/v1/jobs/${theirs[0]}`)).status).toBe(200);
  });
});

describe('everything as open files', () => {
  const tar = () => join(folder, 'all.tar');

  test('goes out without a way in, with readings as CSV and pictures as pictures', async () => {
    const response = await h.app.request('/api/v1/keeping/export');
    expect(response.headers.get('content-type')).toBe('application/x-tar');
    writeFileSync(tar(), Buffer.from(await response.arrayBuffer()));
    const names: string[] = [];
    let people = '';
    let csv = '';
    const { readArchive } = await import('./archive');
    await readArchive(createReadStream(tar()), false, ({ name, bytes }) => {
      names.push(name);
      if (name.startsWith('tables/people')) people += bytes.toString();
      if (name === 'csv/readings.csv') csv = bytes.toString();
    });
    expect(names.some((name) => /^pictures\/[0-9a-f]{64}\.jpg$/.test(name))).toBe(true);
    for (const secret of ['sessions', 'passkeys', 'links'])
      expect(names.some((name) => name.startsWith(`tables/${secret}`))).toBe(false);
    expect(people).not.toMatch(/password|argon2|login/);
    expect(csv.split('\n')[0]).toBe('jobId,at,author,maker,model,serial,label,test,point,value');
    expect(csv.split('\n').length).toBeGreaterThan(30);
  });

  test('goes into an empty shop once; a second time, cut short or with a flipped byte nothing goes in', async () => {
    const bring = (shop: Harness, bytes: Buffer) =>
      shop.app.request('/api/v1/keeping/import', {
        method: 'POST',
        headers: { 'content-type': 'application/x-tar' },
        body: new Uint8Array(bytes),
      });
    const bytes = readFileSync(tar());
    const counted = {
      entries: await h.store.entries.count(),
      jobs: await h.store.jobs.count(),
      photos: await h.store.photos.count(),
    };
    const shop = await harness({ demo: false });
    const flipped = Buffer.from(bytes);
    flipped[Math.floor(bytes.length / 2)]! ^= 1;
    for (const bad of [bytes.subarray(0, Math.floor(bytes.length / 1024) * 512), flipped]) {
      const response = await bring(shop, bad);
      expect([response.status, ((await response.json()) as Problem).code]).toEqual([
        422,
        expect.stringMatching('damaged|cut-short'),
      ]);
      expect(await shop.store.entries.count()).toBe(0);
    }
    expect((await bring(shop, bytes)).status).toBe(200);
    expect({
      entries: await shop.store.entries.count(),
      jobs: await shop.store.jobs.count(),
      photos: await shop.store.photos.count(),
    }).toEqual(counted);
    // Who brought it in is there once; the others have no way in yet.
    expect(await shop.store.people.count({ where: { name: shop.owner.name } })).toBe(1);
    // Made-up people of the other shop are nobody here who comes in by one press.
    expect(await shop.store.people.count({ where: { demo: true } })).toBe(0);
    const again = await bring(shop, bytes);
    expect([again.status, ((await again.json()) as Problem).code]).toEqual([409, 'not-empty']);
    expect(await shop.store.entries.count()).toBe(counted.entries);
    await shop.close();
  });
});
