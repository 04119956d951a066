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
import { PhotoFiles } from '../src/store/photo-files';

export const FRIDGE_JOB = demoWorld.jobs[0]!.id;
export const FRIDGE = demoWorld.units[0]!.id;

export function freshAddress(): DatabaseAddress {
  return {
    database: `test_${randomUUID().replaceAll('-', '')}`,
    socketPath: process.env.JEITINHO_TEST_SOCKET!,
  };
}

export async function harness({ demo = true } = {}) {
  const address = freshAddress();
  await createDatabase(address);
  const sequelize = connect(address);
  await migrate(sequelize);
  const store = defineModels(sequelize);
  if (demo) await seedDemo(store, demoWorld);
  const photoFolder = mkdtempSync(join(tmpdir(), 'jeitinho-photos.'));
  const photos = new PhotoFiles(photoFolder);
  const app = createApp({ store, photos, log: pino({ level: 'silent' }), checkAnswers: true });
  const call = async <T>(
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
    method = body === undefined ? 'GET' : 'POST',
  ) => {
    const response = await app.request(path, {
      method,
      ...(body !== undefined && {
        headers: { 'content-type': 'application/json', ...headers },
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
    get: <T>(path: string) => call<T>(path),
    post: <T = Problem>(path: string, body: unknown, headers?: Record<string, string>) =>
      call<T>(path, body, headers),
    send: <T = Problem>(
      method: 'PUT' | 'POST' | 'PATCH' | 'DELETE',
      path: string,
      body?: unknown,
    ) => call<T>(path, body, {}, method),
    close: async () => {
      await sequelize.close();
      rmSync(photoFolder, { recursive: true });
    },
  };
}

export type Harness = Awaited<ReturnType<typeof harness>>;

export function entry<K extends EntryKind>(kind: K, body: BodyOf<K>, at = Date.now()): LogEntry {
  return {
    id: uuidv7(),
    kind,
    at: new Date(at).toISOString(),
    author: 'Ana',
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
