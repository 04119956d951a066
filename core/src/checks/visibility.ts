/**
 * Every fault shows somewhere, and two faults on different parts differ somewhere: else no measuring
 * can name the part.
 */
import { sharesOf } from '../diagnose/model';
import { observablesByName, shownBy } from '../sheet/observables';
import { type Observable } from '../sheet/observable';
import type { Fault, Sheet } from '../sheet/schema';
import { problem, warning, type SheetProblem } from '../validation/problem';
import { nth } from '../numeric/nth';

/** Outcome shares closer than this, at every observable, do not tell two faults apart. */
const ALIKE = 0.1;
/** Pairs of faults compared at most: far more than a sheet has that somebody wrote. */
const MOST_PAIRS = 300_000;

export function visibility(sheet: Sheet): SheetProblem[] {
  const named = observablesByName(sheet);
  const signs = sheet.faults.map((fault) => signsOf(fault, named));
  const unseen = sheet.faults.flatMap((fault, f) =>
    nth(signs, f).size > 0
      ? []
      : [
          problem(
            'invisible',
            `/faults/${f}/shows`,
            `No test shows “${fault.name}”: say under shows what it makes one of them read.`,
          ),
        ],
  );
  return [...unseen, ...alike(sheet, signs)];
}

type Shares = Readonly<Record<string, number>>;
/** What a fault shows besides good, by observable. */
type Signs = ReadonlyMap<string, Shares>;

function signsOf(fault: Fault, named: ReadonlyMap<string, readonly Observable[]>): Signs {
  const signs = new Map<string, Shares>();
  for (const observable of Object.keys(fault.shows).flatMap((name) => named.get(name) ?? [])) {
    const shown = shownBy(fault, observable);
    if (shown === undefined) continue;
    const shares = sharesOf(shown);
    if ((shares.ok ?? 0) < 1) signs.set(observable.id, shares);
  }
  return signs;
}

function alike(sheet: Sheet, signs: readonly Signs[]): SheetProblem[] {
  // Two faults that look alike both show wherever either of them shows strongly, so each is only
  // compared with those that show at its strongest place.
  const showing = new Map<string, number[]>();
  signs.forEach((each, f) => {
    for (const id of each.keys()) {
      const there = showing.get(id);
      if (there) there.push(f);
      else showing.set(id, [f]);
    }
  });
  const faint = signs.flatMap((each, f) => (strength(each).share <= 2 * ALIKE ? [f] : []));
  let pairs = 0;
  const found = sheet.faults.flatMap((a, f) => {
    const { id, share } = strength(nth(signs, f));
    const others = share > ALIKE ? (showing.get(id) ?? []) : faint;
    return others.flatMap((g) => {
      const b = nth(sheet.faults, g);
      if (g <= f || pairs >= MOST_PAIRS) return [];
      pairs += 1;
      if (a.part === b.part || differ(nth(signs, f), nth(signs, g))) return [];
      return [
        warning(
          'alike',
          `/faults/${g}/shows`,
          `“${a.name}” and “${b.name}” cannot be told apart by this sheet: add a test that reads differently.`,
        ),
      ];
    });
  });
  if (pairs < MOST_PAIRS) return found;
  const unfinished = `So many faults show at the same place that only the first ${MOST_PAIRS} pairs were compared; split the sheet into machines of their own.`;
  return [...found, warning('alike', '/faults', unfinished)];
}

/** Where a fault shows most surely, and how surely. */
function strength(signs: Signs): { id: string; share: number } {
  let strongest = { id: '', share: 0 };
  for (const [id, shares] of signs) {
    const share = 1 - (shares.ok ?? 0);
    if (share > strongest.share) strongest = { id, share };
  }
  return strongest;
}

const SILENT: Shares = { ok: 1 };

const differ = (a: Signs, b: Signs): boolean =>
  [...new Set([...a.keys(), ...b.keys()])].some((id) => {
    const [one, other] = [a.get(id) ?? SILENT, b.get(id) ?? SILENT];
    return [...Object.keys(one), ...Object.keys(other)].some(
      (outcome) => Math.abs((one[outcome] ?? 0) - (other[outcome] ?? 0)) > ALIKE,
    );
  });
