import { jobFileSchema } from '@jeitinho/core';
import { readSheet } from '@jeitinho/core/validate';
import { Hono } from 'hono';
import { me } from '../auth/guard';
import { jsonBody } from '../json-body';
import { ProblemError } from '../problem';
import { audit } from '../store/audit';
import { importJob } from '../store/import-job';
import type { Store } from '../store/models/index';

export const jobFileRoutes = (store: Store) =>
  new Hono().post('/', async (c) => {
    const file = await jsonBody(c, jobFileSchema);
    const read = readSheet(file.sheet);
    if (!read.ok)
      throw new ProblemError(
        422,
        'invalid-sheet',
        'Nothing was brought in: its sheet has problems.',
        {
          errors: read.problems,
        },
      );
    const brought = await importJob(store, file, read.value);
    // Its entries carry whatever names it has: who vouches for them stands here.
    await audit(store, me(c).name, 'job-file-brought', {
      job: brought.id,
      entries: file.entries.length,
      authors: [...new Set(file.entries.map(({ author }) => author))].join(', ').slice(0, 500),
    });
    return c.json(brought, brought.known ? 200 : 201);
  });
