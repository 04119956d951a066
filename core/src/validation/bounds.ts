/** Bounds on what is read at all, so that a damaged or hostile file costs a sentence and not the app. */
import { nth } from '../numeric/nth';

/** Largest sheet file, characters. */
export const LARGEST_SHEET = 4_000_000;
/** Deepest nesting; a sheet of our own needs about ten levels. */
export const DEEPEST = 40;

/**
 * Whether a value nests deeper than {@link DEEPEST}. Walks level by level with a list of its own, so
 * neither depth nor a value that contains itself can overflow the stack.
 * @returns the path of the first place that is too deep; undefined for a value within bounds.
 */
export function tooDeep(value: unknown): string | undefined {
  let level: { value: unknown; path: string }[] = [{ value, path: '' }];
  const seen = new WeakSet<object>();
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > DEEPEST) return nth(level, 0).path;
    const next: { value: unknown; path: string }[] = [];
    for (const { value: each, path } of level) {
      if (each === null || typeof each !== 'object' || seen.has(each)) continue;
      seen.add(each);
      for (const [key, inner] of Object.entries(each))
        if (inner !== null && typeof inner === 'object') {
          // A value that contains itself would be skipped as seen: name it here.
          if (inner === value) return `${path}/${key}`;
          next.push({ value: inner, path: `${path}/${key}` });
        }
    }
    level = next;
  }
  return containsItself(value) ? '/' : undefined;
}

function containsItself(value: unknown): boolean {
  try {
    JSON.stringify(value);
    return false;
  } catch {
    return true;
  }
}

/** Most fields of one object in a body that is no sheet. */
export const MOST_FIELDS = 2_000;

/**
 * Whether a value has one object with more fields than anything of ours, or nests too deep. What is said
 * of a hostile body must not cost more than the body.
 * @returns what is wrong with it; undefined for a value within bounds.
 */
export function outOfBounds(value: unknown, fields = MOST_FIELDS): string | undefined {
  let level: unknown[] = [value];
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > DEEPEST) return `nests deeper than ${DEEPEST} levels.`;
    const next: unknown[] = [];
    for (const each of level) {
      if (each === null || typeof each !== 'object') continue;
      if (Array.isArray(each)) {
        for (const part of each) if (part !== null && typeof part === 'object') next.push(part);
        continue;
      }
      let count = 0;
      for (const key in each) {
        count += 1;
        if (count > fields) return `has more than ${fields} fields in one group.`;
        const part = (each as Record<string, unknown>)[key];
        if (part !== null && typeof part === 'object') next.push(part);
      }
    }
    level = next;
  }
  return undefined;
}
