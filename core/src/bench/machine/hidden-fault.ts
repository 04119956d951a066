/** A machine with something wrong that nobody is told: drawn once, healed by the right part. */
import { allObservables, shownBy } from '../../sheet/observables';
import { isMeasured, type AskTest, type Sheet } from '../../sheet/schema';
import { dice, draw, seedOf } from '../../numeric/dice';
import type { BenchedSheet, Specimen } from './machine';
import { nth } from '../../numeric/nth';

export interface HiddenFault {
  readonly fault: string;
  /** Which of the ways in which it comes. */
  readonly variant: number;
  readonly seed: number;
}

/**
 * Draw by the sheet's priors and the shares of the ways.
 * @param among - Faults that fit the complaint; all that the bench has where absent or empty.
 */
export function drawFault(
  sheet: BenchedSheet,
  seed: number,
  among: readonly string[] = [],
): HiddenFault {
  const roll = dice(seed);
  const modelled = sheet.faults.filter(({ id }) => sheet.bench.faults?.[id]);
  const fitting = modelled.filter(({ id }) => among.includes(id));
  const faults = fitting.length > 0 ? fitting : modelled;
  const fault = nth(
    faults,
    draw(
      faults.map(({ prior }) => prior),
      roll,
    ),
  ).id;
  const ways = sheet.bench.faults?.[fault] ?? [];
  const variant = draw(
    ways.map(({ share = 1 }) => share),
    roll,
  );
  return { fault, variant, seed };
}

/**
 * The machine as it is now.
 * @param gone - Faults that work has taken away.
 * @param killed - Faults that unsafe acts added.
 */
export function specimenNow(
  sheet: BenchedSheet,
  hidden: HiddenFault,
  gone: readonly string[],
  killed: readonly string[] = [],
): Specimen {
  const own = gone.includes(hidden.fault)
    ? []
    : (sheet.bench.faults?.[hidden.fault]?.[hidden.variant]?.changes ?? []);
  const more = killed
    .filter((fault) => fault !== hidden.fault && !gone.includes(fault))
    .flatMap((fault) => sheet.bench.faults?.[fault]?.[0]?.changes ?? []);
  return { changes: [...own, ...more].filter(Boolean), seed: hidden.seed };
}

/**
 * What the eyes, ears or hands find on it: one of the answers of the question.
 * @param gone - Faults that work has taken away.
 */
export function answerOf(
  sheet: BenchedSheet,
  test: AskTest,
  hidden: HiddenFault,
  gone: readonly string[],
): string {
  const answers = Object.entries(test.answers);
  const good = answers.find(([, outcome]) => outcome === 'ok')?.[0] ?? nth(answers, 0)[0];
  if (gone.includes(hidden.fault)) return good;
  const observable = allObservables(sheet).find(({ id }) => id === test.id);
  const fault = sheet.faults.find(({ id }) => id === hidden.fault);
  const shown = (observable && fault && shownBy(fault, observable)) ?? 'ok';
  const shares: [string, number][] =
    typeof shown === 'string' ? [[shown, 1]] : Object.entries(shown);
  // The same every time it is looked at.
  const roll = dice(hidden.seed ^ seedOf(test.id));
  const outcome = nth(
    shares,
    draw(
      shares.map(([, share]) => share),
      roll,
    ),
  )[0];
  return answers.find(([, each]) => each === outcome)?.[0] ?? good;
}

/** A fault of the board that a rated node belongs to: what an unsafe act leaves behind. */
export function killedAt(sheet: BenchedSheet, node: string): string | undefined {
  const place = Object.entries(sheet.bench.nodes).find(
    ([, each]) => each.toLowerCase() === node,
  )?.[0];
  const part = sheet.boards.find(({ id }) => place?.startsWith(`${id}.`))?.part;
  return sheet.faults.find((fault) => fault.part === part && sheet.bench.faults?.[fault.id])?.id;
}

export const askTests = (sheet: Sheet): readonly AskTest[] =>
  sheet.tests.filter((test): test is AskTest => !isMeasured(test));
