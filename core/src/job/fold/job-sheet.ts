/**
 * The sheet as it is for the machine of a job: written out for the variants that somebody saw there, its
 * pins where they were found.
 */
import type { Static } from '@sinclair/typebox';
import { expandSheet } from '../../sheet/expand/expand';
import type { Chosen } from '../../sheet/expand/variants';
import { movedProblem, withMoved, type Moved } from '../../sheet/moved-pins';
import { findConnector } from '../../sheet/places';
import type { Sheet, WrittenSheet } from '../../sheet/schema';
import { withOdds } from '../../sheet/with-odds';
import type { LoggedEntry } from '../log/entry';
import { inLogOrder } from '../log/log-order';
import { kindOf } from '../kinds/index';
import { opened } from '../kinds/opened';
import { pins } from '../kinds/pins';
import { variant } from '../kinds/variant';

/** @param entries - In any order; what was withdrawn does not count, and of two answers the later does. */
export function jobSheet(written: WrittenSheet, entries: readonly LoggedEntry[]): Sheet {
  return weighed(reshaped(written, entries), entries);
}

function reshaped(written: WrittenSheet, entries: readonly LoggedEntry[]): Sheet {
  const said = entries.filter((entry) => entry.kind !== opened.kind && kindOf(entry)?.reshapes);
  if (said.length === 0) return expandSheet(written).sheet;
  const gone = new Set(entries.flatMap((entry) => kindOf(entry)?.withdraws?.(entry) ?? []));
  const standing = inLogOrder(said.filter(({ id }) => !gone.has(id)));
  const { sheet } = expandSheet(written, chosenIn(written, standing));
  return withMoved(sheet, movedIn(sheet, standing));
}

const byOdds = new WeakMap<Sheet, Map<string, Sheet>>();

/** With the shop's odds, where the job was opened with some. Kept: belief is prepared for a sheet once. */
function weighed(sheet: Sheet, entries: readonly LoggedEntry[]): Sheet {
  const entry = entries.find(({ kind }) => kind === opened.kind);
  const { odds } = (entry?.body ?? {}) as Partial<Static<typeof opened.body>>;
  if (!odds) return sheet;
  const key = JSON.stringify(odds.shares);
  const kept = byOdds.get(sheet) ?? new Map<string, Sheet>();
  byOdds.set(sheet, kept);
  const known = kept.get(key) ?? withOdds(sheet, odds);
  kept.set(key, known);
  return known;
}

const chosenIn = ({ variants = [] }: WrittenSheet, said: readonly LoggedEntry[]): Chosen =>
  Object.fromEntries(
    said.flatMap((entry) => {
      if (entry.kind !== variant.kind) return [];
      const { asked, answer } = entry.body as Static<typeof variant.body>;
      const id = variants.find((each) => each.id === asked)?.answers[answer];
      return id === undefined ? [] : [[asked, id]];
    }),
  );

/** What this sheet has no such connector or pin for counts for nothing: another variant was chosen since. */
function movedIn(sheet: Sheet, said: readonly LoggedEntry[]): Moved {
  const latest = new Map(
    said.flatMap((entry) => {
      if (entry.kind !== pins.kind) return [];
      const { connector, at } = entry.body as Static<typeof pins.body>;
      return [[connector, at] as const];
    }),
  );
  return Object.fromEntries(
    [...latest].filter(([ref, at]) => {
      const connector = findConnector(sheet, ref);
      return connector && !movedProblem(connector, at) && Object.keys(at).length > 0;
    }),
  );
}
