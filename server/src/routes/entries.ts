import { entriesInput, type EntriesResource } from '@jeitinho/core';
import type { LogEntry } from '@jeitinho/core/job';
import { readEntry } from '@jeitinho/core/validate';
import { Hono } from 'hono';
import { me } from '../auth/guard';
import type { SignedIn } from '../auth/signed-in';
import { jsonBody } from '../json-body';
import { notFound, ProblemError } from '../problem';
import { inSlices } from '../slices';
import { appendEntries } from '../store/append';
import { entryPage, lastNumber } from '../store/entry-rows';
import type { Store } from '../store/models/index';

const LARGEST_NUMBER = 2_147_483_647;

/** Mounted below /jobs/:id/entries. */
export const entryRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const id = c.req.param('id')!;
      const after = Number(c.req.query('after') ?? 0);
      if (!Number.isInteger(after) || after < 0 || after > LARGEST_NUMBER)
        throw new ProblemError(400, 'bad-query', 'after is a whole number, 0 or more.');
      // A part of a long log: whoever asks goes on after the last one, until it is `last`.
      const [{ entries }, last] = await Promise.all([
        entryPage(store, id, after),
        lastNumber(store, id),
      ]);
      if (last === null) throw notFound('such job');
      return c.json({
        entries,
        last: Math.max(last, entries.at(-1)?.seq ?? 0),
      } satisfies EntriesResource);
    })
    .post('/', async (c) => {
      const { entries, sentAt } = await jsonBody(c, entriesInput);
      const offset = clockOffset(sentAt, Date.now());
      const batch = await inSlices(allParsed(entries));
      byThemselves(batch, me(c));
      return c.json(await appendEntries(store, c.req.param('id')!, batch, { offset }));
    });

/** Less than this is the way of the message, not a clock that is off, ms. */
const ON_THE_WAY_MS = 30_000;

/** Milliseconds from the sender's clock to ours. */
function clockOffset(sentAt: string | undefined, now: number): number {
  const offset = sentAt === undefined ? 0 : now - Date.parse(sentAt);
  return Number.isFinite(offset) && Math.abs(offset) >= ON_THE_WAY_MS ? offset : 0;
}

/** In slices: a full series has thousands of figures. */
function* allParsed(entries: readonly unknown[]): Generator<void, LogEntry[]> {
  const batch: LogEntry[] = [];
  for (const [index, raw] of entries.entries()) {
    batch.push(parsed(raw, index));
    yield;
  }
  return batch;
}

/** Nobody writes in another's name. @throws {ProblemError} 403 naming the first entry that is another's. */
function byThemselves(batch: readonly LogEntry[], { names }: SignedIn): void {
  const index = batch.findIndex(({ author }) => !names.includes(author));
  if (index < 0) return;
  const { id, author } = batch[index]!;
  throw new ProblemError(
    403,
    'not-the-author',
    `Nothing was stored: this is ${author}’s entry. It is sent once ${author} signs in on that device.`,
    { entry: { index, id } },
  );
}

/** @throws {ProblemError} 422 naming the entry of the batch and what is wrong with it. */
function parsed(raw: unknown, index: number): LogEntry {
  const read = readEntry(raw, `/entries/${index}`);
  if (read.ok) return read.value;
  const { id } = (raw ?? {}) as { id?: unknown };
  throw new ProblemError(
    422,
    'invalid-entry',
    `Nothing of the batch was stored: entry ${index + 1} is not as it should be.`,
    {
      errors: read.problems,
      entry: { index, ...(typeof id === 'string' && { id }) },
    },
  );
}
