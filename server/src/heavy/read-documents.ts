/** Reading large documents: what is stored of them, or all that is wrong with them. */
import { dictionarySchema } from '@jeitinho/core/bench';
import { facetsOf, plainSheet, type SheetFacets, type WrittenSheet } from '@jeitinho/core/sheet';
import { check, outOfBounds, readSheetText } from '@jeitinho/core/validate';

export interface DocumentTask {
  readonly kind: 'sheet' | 'dictionary';
  readonly bytes: ArrayBuffer;
}

/** A sheet ready to be stored. */
export interface SheetToSave {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly maker: string;
  readonly facets: SheetFacets;
  /** The document as JSON. */
  readonly text: string;
}

export interface DictionaryToSave {
  readonly faults: readonly string[];
  readonly text: string;
}

export type DocumentProblems = readonly { readonly path: string; readonly message: string }[];

export type ReadDocument =
  | { readonly sheet: SheetToSave }
  | { readonly dictionary: DictionaryToSave }
  | { readonly malformed: true }
  | { readonly problems: DocumentProblems };

/** Dictionaries name every fault, and every place of each. */
const MOST_PLACES = 20_000;

export function readDocument({ kind, bytes }: DocumentTask): ReadDocument {
  let text: string;
  let value: unknown;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    value = JSON.parse(text);
  } catch {
    return { malformed: true };
  }
  if (kind === 'dictionary') {
    const beyond = outOfBounds(value, MOST_PLACES);
    if (beyond !== undefined) return { problems: [{ path: '', message: beyond }] };
    const read = check(dictionarySchema, value);
    if (!read.ok) return { problems: read.problems };
    return {
      dictionary: { faults: Object.keys(read.value.faults), text: JSON.stringify(value) },
    };
  }
  const read = readSheetText(text);
  if (!read.ok) return { problems: read.problems };
  return { sheet: toSave(read.value) };
}

export const toSave = (sheet: WrittenSheet): SheetToSave => ({
  id: sheet.id,
  revision: sheet.revision,
  title: sheet.title,
  maker: sheet.equipment.maker,
  facets: facetsOf(plainSheet(sheet)),
  text: JSON.stringify(sheet),
});
