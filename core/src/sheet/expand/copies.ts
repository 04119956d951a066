/** The copies of a repeat, and putting a copy's own words where its placeholders stand. */
import type { Repeat } from '../schema/shape';

/** One copy: the repeat's id to what stands for it. */
export type Copy = Readonly<Record<string, string>>;

export interface Repeats {
  readonly known: ReadonlyMap<string, Repeat>;
}

export const repeatsOf = (list: readonly Repeat[] | undefined): Repeats => ({
  known: new Map((list ?? []).map((repeat) => [repeat.id, repeat])),
});

const PLACEHOLDER = /\{([a-z]+)(\.name)?\}/g;

/** Display name of a copy: `Circuit 2`; what stands for it, where the repeat names none. */
export const copyName = ({ id, name }: Repeat, of: string): string =>
  name?.replaceAll(`{${id}}`, of) ?? of;

/** Put in what is bound; what is not stays as it stands. */
export function fillIn(text: string, copy: Copy, { known }: Repeats): string {
  if (!text.includes('{')) return text;
  return text.replace(PLACEHOLDER, (whole, id: string, asName: string | undefined) => {
    const of = copy[id];
    const repeat = known.get(id);
    if (of === undefined || !repeat) return whole;
    return asName === undefined ? of : copyName(repeat, of);
  });
}

/** Repeats that a text names and that are not bound yet. */
export function unbound(text: string, copy: Copy, { known }: Repeats): readonly Repeat[] {
  if (!text.includes('{')) return [];
  const ids = new Set([...text.matchAll(PLACEHOLDER)].map(([, id]) => id!));
  return [...ids].flatMap((id) => (id in copy ? [] : (known.get(id) ?? [])));
}

/** A copy for every way to bind these besides what is bound: one, where there is nothing to bind. */
export const copiesFor = (repeats: readonly Repeat[], bound: Copy): readonly Copy[] =>
  repeats.reduce<readonly Copy[]>(
    (copies, { id, of }) => copies.flatMap((copy) => of.map((each) => ({ ...copy, [id]: each }))),
    [bound],
  );

/** The first placeholder that is left in a text, `{c}`; undefined where there is none of these repeats. */
export const leftIn = (text: string, repeats: Repeats): string | undefined => {
  const [repeat] = unbound(text, {}, repeats);
  return repeat && `{${repeat.id}}`;
};
