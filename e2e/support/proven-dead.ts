/** A job that is proven dead already, for the tests that begin there: entries on the log, as a visit leaves them. */
import type { Sheet, WrittenSheet } from '@jeitinho/core/sheet';
import { expect, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { proving } from './bundle';

/** The entries that prove a machine dead just now. @param store what its stores still hold, volts */
function provingEntries(sheet: Sheet, store: number): object[] {
  const steps = proving().provingSteps(sheet, { store }, 0);
  const late = Date.now() - 5_000 - steps.at(-1)!.at;
  return steps.map(({ kind, body, at }) => ({
    id: randomUUID(),
    kind,
    at: new Date(at + late).toISOString(),
    author: 'Davi Moura',
    body,
  }));
}

/** Proves the job's machine dead without the page; open the job afterwards. */
export async function provenDead(page: Page, job: string, store = 2.8): Promise<void> {
  const api = `/api/v1/jobs/${job}`;
  const { sheet } = (await (await page.request.get(api)).json()) as {
    sheet: WrittenSheet;
  };
  const sent = await page.request.post(`${api}/entries`, {
    data: { entries: provingEntries(proving().machineSheet(sheet), store) },
  });
  expect(sent.ok() ? '' : await sent.text()).toBe('');
}

/**
 * Writes entries on a job's log without the page, a second between them.
 * @param ago seconds from the first of them to now
 */
export async function kept(
  page: Page,
  job: string,
  ago: number,
  entries: readonly (readonly [kind: string, body: object])[],
): Promise<void> {
  const first = Date.now() - ago * 1000;
  const sent = await page.request.post(`/api/v1/jobs/${job}/entries`, {
    data: {
      entries: entries.map(([kind, body], n) => ({
        id: randomUUID(),
        kind,
        at: new Date(first + n * 1000).toISOString(),
        author: 'Davi Moura',
        body,
      })),
    },
  });
  expect(sent.ok() ? '' : await sent.text()).toBe('');
}
