import { jobFileSchema } from '@jeitinho/core';
import { readSheet } from '@jeitinho/core/validate';
import { Hono } from 'hono';
import { jsonBody } from '../json-body';
import { ProblemError } from '../problem';
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
    return c.json(brought, brought.known ? 200 : 201);
  });
