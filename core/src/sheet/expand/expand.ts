/**
 * Writing a sheet out, once, when it is read: every copy of what stands once for several, and only what the
 * machine at hand has. Everything behind it sees a plain sheet.
 *
 * A thing with `per` comes once for every copy, `{c}` in its ids and words being the copy's own. In a thing
 * that stands once, whatever names `{c}` stands for every copy: the key of a record, a word of a list, a
 * line of the netlist. Things with `only` are there with one of those variants; while it is not known which
 * the machine is, all are, and of several with one id the first.
 */
import type { Sheet, WrittenSheet } from '../schema';
import type { Repeat, Variant } from '../schema/shape';
import { copiesFor, fillIn, leftIn, repeatsOf, unbound, type Copy, type Repeats } from './copies';
import { OriginOf, writtenPath, type Origin } from './origin';
import { pruned } from './prune';
import { machinesOf, presenceOf, type Chosen } from './variants';

export interface Expanded {
  readonly sheet: Sheet;
  /** Where something at a path of it stands in the author's sheet. */
  readonly writtenAt: (path: string) => string;
  /** Placeholders that stand where no copy is, by their path in this sheet. */
  readonly strays: readonly { readonly path: string; readonly placeholder: string }[];
}

const made = new WeakMap<WrittenSheet, Map<string, Expanded>>();

/**
 * @param chosen - The variants that are known; a question's id to the variant.
 * @returns the same one for the same sheet and the same variants, so that it can be told by identity.
 */
export function expandSheet(written: WrittenSheet, chosen: Chosen = {}): Expanded {
  const questions = written.variants ?? [];
  const key = questions.map(({ id }) => chosen[id] ?? '').join('\n');
  const ways = made.get(written) ?? new Map<string, Expanded>();
  made.set(written, ways);
  const before = ways.get(key);
  if (before) return before;
  const fresh = expand(written, questions, chosen);
  ways.set(key, fresh);
  return fresh;
}

/** @see expandSheet */
export const plainSheet = (written: WrittenSheet, chosen?: Chosen): Sheet =>
  expandSheet(written, chosen).sheet;

/** One whole machine: as far as it is chosen, and for the rest by the first answers. */
export const machineSheet = (written: WrittenSheet, chosen?: Chosen): Sheet =>
  plainSheet(written, { ...machinesOf(written.variants ?? [])[0], ...chosen });

function expand(written: WrittenSheet, questions: readonly Variant[], chosen: Chosen): Expanded {
  if (!written.repeats?.length && questions.length === 0)
    return { sheet: written as Sheet, writtenAt: (path) => path, strays: [] };
  const { repeats, variants, ...rest } = written;
  const work: Work = {
    repeats: repeatsOf(repeats),
    questions,
    chosen,
    strays: [],
  };
  const { value, origin } = ofObject(withUnits(rest, work.repeats), {}, '', work);
  const known = questions.some(({ id }) => chosen[id] !== undefined);
  const sheet = { ...(value as Sheet), ...(variants && { questions: variants, chosen }) };
  return {
    sheet: known ? pruned(sheet, plainSheet(written)) : sheet,
    writtenAt: (path) => writtenPath(origin, path),
    strays: work.strays,
  };
}

interface Work {
  readonly repeats: Repeats;
  readonly questions: readonly Variant[];
  readonly chosen: Chosen;
  readonly strays: { path: string; placeholder: string }[];
}

interface Walked {
  readonly value: unknown;
  readonly origin?: Origin | undefined;
}

/** A code that every copy has is about that copy. */
function withUnits(sheet: Omit<WrittenSheet, 'repeats' | 'variants'>, { known: all }: Repeats) {
  const named = ({ per, unit }: { per?: string; unit?: string }): Repeat | undefined =>
    unit === undefined && per !== undefined ? all.get(per) : undefined;
  return {
    ...sheet,
    codes: {
      ...sheet.codes,
      list: sheet.codes.list.map((code) => {
        const repeat = named(code);
        return repeat ? { unitName: `{${repeat.id}.name}`, ...code, unit: `{${repeat.id}}` } : code;
      }),
    },
  };
}

function walk(value: unknown, copy: Copy, path: string, work: Work): Walked {
  if (typeof value === 'string') {
    const filled = fillIn(value, copy, work.repeats);
    const placeholder = leftIn(filled, work.repeats);
    if (placeholder !== undefined) work.strays.push({ path, placeholder });
    return { value: filled };
  }
  if (value === null || typeof value !== 'object') return { value };
  return Array.isArray(value)
    ? ofArray(value, copy, path, work)
    : ofObject(value as Loose, copy, path, work);
}

type Loose = Readonly<Record<string, unknown>>;

function ofObject(value: object, copy: Copy, path: string, work: Work): Walked {
  const origin = new OriginOf();
  const fresh: Record<string, unknown> = {};
  for (const [key, inner] of Object.entries(value)) {
    if (key === 'per') continue;
    if (key === 'only' && path !== '') {
      const presence = presenceOf(inner as string[], work.questions, work.chosen);
      if (presence === 'unknown') fresh.only = inner;
      continue;
    }
    for (const each of copiesFor(unbound(key, copy, work.repeats), copy)) {
      const name = fillIn(key, each, work.repeats);
      const lines = key === 'netlist' && typeof inner === 'string';
      const walked = lines
        ? { value: ofLines(inner, each, work) }
        : walk(inner, each, `${path}/${name}`, work);
      fresh[name] = walked.value;
      origin.note(name, key, walked.origin);
    }
  }
  return { value: fresh, origin: origin.get() };
}

/** A line that names a copy stands for every one. */
const ofLines = (text: string, copy: Copy, { repeats }: Work): string =>
  text
    .split('\n')
    .flatMap((line) =>
      copiesFor(unbound(line, copy, repeats), copy).map((each) => fillIn(line, each, repeats)),
    )
    .join('\n');

function ofArray(list: readonly unknown[], copy: Copy, path: string, work: Work): Walked {
  const origin = new OriginOf();
  const fresh: unknown[] = [];
  // While the variant is not known, the first of one id stands for all.
  const doubtful = new Set<unknown>();
  list.forEach((each, i) => {
    const { only, per } = isGroup(each) ? each : ({} as Loose);
    const presence = presenceOf(only as string[] | undefined, work.questions, work.chosen);
    if (presence === 'not there') return;
    for (const one of copiesOf(each, per, copy, work.repeats)) {
      const walked = walk(each, one, `${path}/${fresh.length}`, work);
      const id = isGroup(walked.value) ? (walked.value.id ?? walked.value.n) : undefined;
      if (presence === 'unknown' && id !== undefined) {
        if (doubtful.has(id)) continue;
        doubtful.add(id);
      }
      origin.note(String(fresh.length), String(i), walked.origin);
      fresh.push(walked.value);
    }
  });
  return { value: fresh, origin: origin.get() };
}

const isGroup = (value: unknown): value is Loose =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

function copiesOf(value: unknown, per: unknown, copy: Copy, repeats: Repeats): readonly Copy[] {
  if (typeof value === 'string') return copiesFor(unbound(value, copy, repeats), copy);
  const repeat = typeof per === 'string' && !(per in copy) ? repeats.known.get(per) : undefined;
  return repeat ? copiesFor([repeat], copy) : [copy];
}
