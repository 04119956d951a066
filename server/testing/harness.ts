/**
 * An app on a fresh database of its own, driven in memory. Models are classes that belong to the harness
 * made last, so an earlier one of the same file is not used after a later one was made.
 */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Problem } from '@jeitinho/core';
import { type BodyOf, type EntryKind, type LogEntry } from '@jeitinho/core/job';
import { demoWorld, newestSheet, provingSteps } from '@jeitinho/demo';
import { pino } from 'pino';
import { v7 as uuidv7 } from 'uuid';
import { createApp } from '../src/app';
import { seedDemo } from '../src/seed';
import { connect, createDatabase, type DatabaseAddress } from '../src/store/database';
import { migrate } from '../src/store/migrate';
import { defineModels } from '../src/store/models/index';
import { beginSession } from '../src/auth/sessions';
import { addPerson } from '../src/store/people';
import type { Surroundings } from '../src/surroundings';
import { Backups } from '../src/keeping/nightly';
import type { Role } from '@jeitinho/core';
import { copyTemplate } from './template';

export const FRIDGE_JOB = demoWorld.jobs[0]!.id;
export const FRIDGE = demoWorld.units[0]!.id;

export function freshAddress(): DatabaseAddress {
  return {
    database: `test_${randomUUID().replaceAll('-', '')}`,
    socketPath: process.env.JEITINHO_TEST_SOCKET!,
  };
}

async function makeDemo(database: string): Promise<void> {
  const address = { ...freshAddress(), database };
  await createDatabase(address);
  const sequelize = connect(address);
  await migrate(sequelize);
  await seedDemo(defineModels(sequelize), demoWorld);
  await sequelize.close();
}

/** Who is signed in where nothing else is said: an owner, whose entries the tests write. */
export const DAVI = demoWorld.people[0]!.name;

interface Wanted {
  readonly demo?: boolean;
  readonly around?: Surroundings;
}

export async function harness({ demo = true, around }: Wanted = {}) {
  const address = freshAddress();
  await createDatabase(address);
  if (demo) await copyTemplate(address.database, makeDemo);
  const sequelize = connect(address);
  if (!demo) await migrate(sequelize);
  const store = defineModels(sequelize);
  const folder = mkdtempSync(join(tmpdir(), 'jeitinho-data.'));
  const log = pino({ level: 'silent' });
  const backups = new Backups(store, log, join(folder, 'backups'));
  const bare = createApp({
    ...{ store, log, backups, metricsToken: 'the-token', checkAnswers: true },
    ...(around && { around }),
  });
  const cookieName = around?.secure ? '__Host-jeitinho' : 'jeitinho';
  /** A cookie of somebody's session. */
  const cookieOf = async (person: { readonly id: string }): Promise<string> =>
    `${cookieName}=${(await beginSession(store, person, 'test')).token}`;
  const owner =
    (await store.people.findOne({ where: { name: DAVI } })) ??
    (await addPerson(store, { name: DAVI, roles: ['owner', 'lead', 'technician'] }));
  let cookie = await cookieOf(owner);
  const app = {
    routes: bare.routes,
    /** As the owner, unless a cookie of another is given. */
    request: (path: string, init: RequestInit = {}) => {
      const headers = new Headers(init.headers);
      if (!headers.has('cookie')) headers.set('cookie', cookie);
      return bare.request(path, { ...init, headers });
    },
  };
  const call = async <T>(
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
    method = body === undefined ? 'GET' : 'POST',
  ) => {
    const response = await app.request(path, {
      method,
      headers: { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
      ...(body !== undefined && {
        body: typeof body === 'string' ? body : JSON.stringify(body),
      }),
    });
    return {
      status: response.status,
      type: response.headers.get('content-type') ?? '',
      body: (response.status === 204 ? null : await response.json()) as T,
    };
  };
  return {
    store,
    sequelize,
    address,
    app,
    owner,
    folder,
    backups,
    /** The app as nobody in particular. */
    bare,
    cookieOf,
    /** Somebody new with these roles, and their cookie. */
    somebody: async (name: string, ...roles: Role[]) => {
      const person = await addPerson(store, { name, roles });
      return { person, cookie: await cookieOf(person) };
    },
    /** From here on somebody else asks. */
    as: (other: string) => {
      cookie = other;
    },
    get: <T>(path: string, headers?: Record<string, string>) => call<T>(path, undefined, headers),
    post: <T = Problem>(path: string, body: unknown, headers?: Record<string, string>) =>
      call<T>(path, body, headers),
    send: <T = Problem>(
      method: 'PUT' | 'POST' | 'PATCH' | 'DELETE',
      path: string,
      body?: unknown,
    ) => call<T>(path, body, {}, method),
    close: async () => {
      await sequelize.close();
      rmSync(folder, { recursive: true });
    },
  };
}

export type Harness = Awaited<ReturnType<typeof harness>>;

export function entry<K extends EntryKind>(kind: K, body: BodyOf<K>, at = Date.now()): LogEntry {
  return {
    id: uuidv7(),
    kind,
    at: new Date(at).toISOString(),
    author: DAVI,
    body,
  } as unknown as LogEntry;
}

/** A batch that proves the fridge dead, its wait already over. */
export function deadBatch(now = Date.now()): LogEntry[] {
  const sheet = newestSheet(demoWorld.units[0]!.sheetId!);
  return provingSteps(sheet, { store: 2.4 }, now - 14 * 60_000).map(({ kind, body, at }) =>
    entry(kind, body as never, at),
  );
}
