/** How the shop's data is kept: backups, everything out, everything in. */
import { Readable } from 'node:stream';
import { Hono } from 'hono';
import { me } from '../auth/guard';
import { ArchiveError } from '../keeping/archive-error';
import { ArchiveWriter } from '../keeping/archive';
import { dump } from '../keeping/dump';
import { importAll } from '../keeping/import-all';
import type { Backups } from '../keeping/nightly';
import { ProblemError } from '../problem';
import { audit } from '../store/audit';
import type { Store } from '../store/models/index';

export interface Trust {
  readonly path: string;
  readonly fingerprint: string;
}

export const keepingRoutes = (
  store: Store,
  backups: Backups | undefined,
  trust: Trust | undefined,
) =>
  new Hono()
    .get('/', async (c) => {
      const [list, jobs, entries, photos, photoBytes] = await Promise.all([
        backups?.list() ?? [],
        store.jobs.count(),
        store.entries.count(),
        store.photos.count(),
        store.photos.sum('size'),
      ]);
      return c.json({
        backups: list,
        nextAt: backups?.nextAt?.toISOString() ?? null,
        trouble: backups?.trouble ?? null,
        counts: { jobs, entries, photos, photoBytes: Number(photoBytes ?? 0) },
        trust: trust ?? null,
      });
    })
    .post('/backups', async (c) => {
      if (backups?.folder === undefined)
        throw new ProblemError(
          409,
          'no-backups-here',
          'This server keeps no backups: its database is kept elsewhere.',
        );
      return c.json(await backups.make(me(c).name), 201);
    })
    .get('/export', async (c) => {
      const writer = new ArchiveWriter();
      await audit(store, me(c).name, 'exported');
      void dump(store.sequelize, 'export', writer).catch((error: Error) =>
        writer.stream.destroy(error),
      );
      c.header('content-type', 'application/x-tar');
      c.header(
        'content-disposition',
        `attachment; filename="jeitinho-${new Date().toISOString().slice(0, 10)}.tar"`,
      );
      return c.body(Readable.toWeb(Readable.from(writer.stream)) as ReadableStream);
    })
    .post('/import', async (c) => {
      if (!/^application\/x-tar\b/.test(c.req.header('content-type') ?? '') || !c.req.raw.body)
        throw new ProblemError(
          415,
          'not-an-export',
          'Send an export: a tar archive, as application/x-tar.',
        );
      try {
        // Node's streams and the web's are the same at run time; their types differ.
        const brought = await importAll(store, Readable.fromWeb(c.req.raw.body as never));
        await audit(store, me(c).name, 'imported', brought);
        return c.json(brought);
      } catch (error) {
        if (error instanceof ArchiveError)
          throw new ProblemError(error.code === 'not-empty' ? 409 : 422, error.code, error.message);
        throw error;
      }
    });
