/** A job that is proven dead already, for the tests that begin there: entries on the log, as a visit leaves them. */
import { foldJob, type StoredEntry } from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';
import { nextProvingStep } from '@jeitinho/demo/prove-dead';
import { expect, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';

/** Minutes that proving any of the demo's machines takes, its waits with it. */
const TAKES = 20;

/** The entries that prove a machine dead just now. @param store what its stores still hold, volts */
function provingEntries(sheet: Sheet, store: number): object[] {
  const log: StoredEntry[] = [];
  let at = Date.now() - TAKES * 60_000;
  for (;;) {
    const step = nextProvingStep(sheet, foldJob(sheet, log), { store }, at);
    if (!step) break;
    at += step.wait * 60_000;
    log.push({
      id: randomUUID(),
      seq: log.length + 1,
      kind: step.kind,
      at: new Date(at).toISOString(),
      author: 'Davi Moura',
      body: step.body,
    } as StoredEntry);
  }
  // The proof is of now, not of when the wait happened to be over.
  const late = Date.now() - 5_000 - at;
  return log.map(({ seq: _, ...entry }) => ({
    ...entry,
    at: new Date(Date.parse(entry.at) + late).toISOString(),
  }));
}

/** Proves the job's machine dead without the page; open the job afterwards. */
export async function provenDead(page: Page, job: string, store = 2.8): Promise<void> {
  const api = `/api/v1/jobs/${job}`;
  const { sheet } = (await (await page.request.get(api)).json()) as { sheet: Sheet };
  const sent = await page.request.post(`${api}/entries`, {
    data: { entries: provingEntries(sheet, store) },
  });
  expect(sent.ok() ? '' : await sent.text()).toBe('');
}
