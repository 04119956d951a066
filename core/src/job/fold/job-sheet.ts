/** The sheet as it is for the machine of a job: written out for the variants that somebody saw there. */
import { expandSheet } from '../../sheet/expand/expand';
import type { Chosen } from '../../sheet/expand/variants';
import type { Sheet, WrittenSheet } from '../../sheet/schema';
import type { LoggedEntry } from '../log/entry';
import { inLogOrder } from '../log/log-order';
import { kindOf } from '../kinds/index';
import { variant } from '../kinds/variant';

/** @param entries - In any order; what was withdrawn does not count, and of two answers the later does. */
export function jobSheet(written: WrittenSheet, entries: readonly LoggedEntry[]): Sheet {
  return expandSheet(written, chosenIn(written, entries)).sheet;
}

function chosenIn({ variants = [] }: WrittenSheet, entries: readonly LoggedEntry[]): Chosen {
  if (variants.length === 0) return {};
  const gone = new Set(entries.flatMap((entry) => kindOf(entry)?.withdraws?.(entry) ?? []));
  const answered = inLogOrder(
    entries.filter((entry) => entry.kind === variant.kind && !gone.has(entry.id)),
  );
  return Object.fromEntries(
    answered.flatMap((entry) => {
      const { asked, answer } = entry.body as { asked: string; answer: string };
      const id = variants.find((each) => each.id === asked)?.answers[answer];
      return id === undefined ? [] : [[asked, id]];
    }),
  );
}
