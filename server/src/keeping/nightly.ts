/**
 * The nightly backup: beside the database, read again after it was written, the older ones thinned out. Of
 * several servers on one database one makes it.
 */
import { mkdir, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupResource } from '@jeitinho/core';
import type { Logger } from 'pino';
import { sweepSessions } from '../auth/sessions';
import { audit, THE_SHOP } from '../store/audit';
import type { Store } from '../store/models/index';
import { clearWithdrawnPhotos } from '../store/photos';
import { raw } from '../store/raw';
import { writeBackup } from './backup-file';

/** Local time: nobody works, and whoever does is not held up. */
const AT_HOUR = 2;
const AT_MINUTE = 30;
/** A server that slept through the night makes up for it, once it has started in peace. */
const MAKE_UP_MS = 10 * 60_000;
const DAY_MS = 86_400_000;
const DAYS = 7;
const WEEKS = 5;
const NAME = /^jeitinho-(\d{4}-\d{2}-\d{2})T(\d{2})(\d{2})(\d{2})\.backup$/;

const nameAt = (at: Date) => `jeitinho-${at.toISOString().slice(0, 19).replaceAll(':', '')}.backup`;

/** Moment in a backup's name; undefined for a file that is none. */
export function momentOf(file: string): number | undefined {
  const [, day, hours, minutes, seconds] = NAME.exec(file) ?? [];
  return day === undefined ? undefined : Date.parse(`${day}T${hours}:${minutes}:${seconds}Z`);
}

/** Which of these go: kept are the newest of each of seven days, and of each of five weeks. */
export function tooMany(files: readonly string[]): string[] {
  const byAge = files
    .filter((file) => momentOf(file) !== undefined)
    .sort((a, b) => momentOf(b)! - momentOf(a)!);
  const kept = new Set<string>();
  for (const [most, length] of [
    [DAYS, DAY_MS],
    [WEEKS, 7 * DAY_MS],
  ] as const) {
    const spans = new Set<number>();
    for (const file of byAge) {
      const span = Math.floor(momentOf(file)! / length);
      if (spans.has(span) || spans.size >= most) continue;
      spans.add(span);
      kept.add(file);
    }
  }
  return byAge.filter((file) => !kept.has(file));
}

/** The next time of day for it. */
export function nextNight(now: Date): Date {
  const next = new Date(now);
  next.setHours(AT_HOUR, AT_MINUTE, 0, 0);
  if (next <= now) next.setDate(next.getDate() + 1);
  return next;
}

export class Backups {
  #timer: NodeJS.Timeout | undefined;
  #next: Date | undefined;
  #running: Promise<BackupResource> | undefined;
  trouble: string | undefined;

  /** @param folder - Where they lie; undefined where this server keeps none. */
  constructor(
    private readonly store: Store,
    private readonly log: Logger,
    readonly folder: string | undefined,
  ) {}

  get nextAt(): Date | undefined {
    return this.#next;
  }

  /** What is there, the newest first. */
  async list(): Promise<BackupResource[]> {
    const { folder } = this;
    if (folder === undefined) return [];
    const files = (await readdir(folder).catch(() => [])).filter((file) => momentOf(file));
    const all = await Promise.all(
      files.map(async (file) => ({
        file,
        at: new Date(momentOf(file)!).toISOString(),
        bytes: (await stat(join(folder, file))).size,
        whole: (await readFile(join(folder, `${file}.whole`)).catch(() => undefined)) !== undefined,
      })),
    );
    return all.sort((a, b) => b.at.localeCompare(a.at));
  }

  /** One now; a second that is asked for meanwhile is the same. */
  make(who = THE_SHOP): Promise<BackupResource> {
    this.#running ??= this.#make(who).finally(() => (this.#running = undefined));
    return this.#running;
  }

  async #make(who: string): Promise<BackupResource> {
    const { folder } = this;
    if (folder === undefined) throw new Error('this server keeps no backups');
    try {
      await mkdir(folder, { recursive: true, mode: 0o700 });
      const at = new Date();
      const file = nameAt(at);
      const { bytes, manifest } = await writeBackup(this.store.sequelize, join(folder, file));
      // It was read again before it got its name: said beside it, for whoever looks later.
      await writeFile(join(folder, `${file}.whole`), JSON.stringify(manifest.rows), {
        mode: 0o600,
      });
      for (const old of tooMany(await readdir(folder))) {
        await rm(join(folder, old), { force: true });
        await rm(join(folder, `${old}.whole`), { force: true });
      }
      this.trouble = undefined;
      await audit(this.store, who, 'backup-made', { file, bytes });
      return { file, at: at.toISOString(), bytes, whole: true };
    } catch (error) {
      this.trouble = `The backup of ${new Date().toISOString().slice(0, 16).replace('T', ' ')} UTC failed: ${error instanceof Error ? error.message : String(error)}`;
      this.log.error({ err: error }, 'backup');
      await audit(this.store, who, 'backup-failed').catch(() => undefined);
      throw error;
    }
  }

  async start(): Promise<void> {
    if (this.folder === undefined) return;
    // What a crash left half written is none.
    for (const file of await readdir(this.folder).catch(() => []))
      if (file.endsWith('.part')) await rm(join(this.folder, file), { force: true });
    const [newest] = await this.list();
    const late = newest !== undefined && Date.now() - Date.parse(newest.at) > DAY_MS;
    this.#sleepUntil(late ? new Date(Date.now() + MAKE_UP_MS) : nextNight(new Date()));
  }

  #sleepUntil(at: Date): void {
    this.#next = at;
    // A timer holds 24 days at most; this one never more than one.
    this.#timer = setTimeout(
      () => void this.#night(),
      Math.max(0, at.getTime() - Date.now()),
    ).unref();
  }

  async #night(): Promise<void> {
    try {
      await this.#once(async () => {
        await this.make();
        await sweepSessions(this.store);
        const cleared = await clearWithdrawnPhotos(this.store);
        if (cleared > 0)
          await audit(this.store, THE_SHOP, 'pictures-cleared', { pictures: cleared });
      });
    } catch (error) {
      this.log.error({ err: error }, 'night');
    }
    this.#sleepUntil(nextNight(new Date()));
  }

  /** On one server of several: whoever holds the name in the database. */
  async #once(work: () => Promise<void>): Promise<void> {
    await this.store.sequelize.transaction(async (transaction) => {
      const [row] = await raw<{ got: number }[]>(
        this.store.sequelize,
        `SELECT GET_LOCK(CONCAT(DATABASE(), '.night'), 0) AS got`,
        [],
        transaction,
      );
      if (row?.got !== 1) return;
      try {
        await work();
      } finally {
        await raw(
          this.store.sequelize,
          `SELECT RELEASE_LOCK(CONCAT(DATABASE(), '.night'))`,
          [],
          transaction,
        );
      }
    });
  }

  async stop(): Promise<void> {
    clearTimeout(this.#timer);
    await this.#running?.catch(() => undefined);
  }
}
