/**
 * Patterns of code schemes, matched in time linear in the text: an author's pattern comes from a file, and
 * a backtracking matcher can be kept busy for years by a short one.
 */
import { RE2JS } from 're2js';

export interface CodePattern {
  /** How many groups it has, the whole match not counted. */
  readonly groups: number;
  /** @returns the whole match and its groups; undefined where it does not match. */
  readonly match: (text: string) => readonly (string | undefined)[] | undefined;
}

/** Patterns made lately; a sheet has a handful. */
const MOST_KEPT = 200;
const kept = new Map<string, CodePattern | undefined>();

/** Case does not matter. @returns undefined for what is no pattern, or needs to look back or ahead. */
export function codePattern(source: string): CodePattern | undefined {
  if (kept.has(source)) return kept.get(source);
  if (kept.size >= MOST_KEPT) kept.clear();
  const made = compile(source);
  kept.set(source, made);
  return made;
}

function compile(source: string): CodePattern | undefined {
  let compiled: RE2JS;
  try {
    compiled = RE2JS.compile(source, RE2JS.CASE_INSENSITIVE);
  } catch {
    return undefined;
  }
  const groups = compiled.groupCount();
  return {
    groups,
    match: (text) => {
      const matcher = compiled.matcher(text);
      if (!matcher.find()) return undefined;
      return Array.from({ length: groups + 1 }, (_, i) => matcher.group(i) ?? undefined);
    },
  };
}
