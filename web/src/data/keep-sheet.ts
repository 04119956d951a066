/** A sheet as its next revision where one may change it, else as a proposal for a lead. */
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { ask } from './api';
import { may, useMe } from './me';

export type Kept = 'saved' | 'proposed';

/** @param maySave - Whether one may save it: a lead any, everybody one that is not there yet. */
export async function keepSheet(sheet: WrittenSheet, maySave: boolean, note = ''): Promise<Kept> {
  if (maySave) {
    await ask('saveSheet', { body: sheet });
    return 'saved';
  }
  await ask('propose', { body: sheet, ...(note !== '' && { query: { note } }) });
  return 'proposed';
}

export const useChangesSheets = (): boolean => may(useMe(), 'saveSheet') === 'all';
