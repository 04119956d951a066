/** The words by which a job is found years later: what was seen, said, measured at, fitted and noted. */
import { findPart } from '../../sheet/lookup';
import { locate, placeDetail, placeName } from '../../sheet/places';
import type { Sheet } from '../../sheet/schema';
import { plainText, plainWords } from '../../units/plain-words';
import { entryWords } from '../kinds/said-of';
import type { JobState } from '../state/state';

/** Longer ones are no words; the database keeps so much of each. */
export const LONGEST_WORD = 40;
/** Of one job; what a whole history of a machine says more is not looked for. */
const MOST_WORDS = 600;

/** Fields of an entry in which somebody’s own words stand, or something printed. */
const FIELDS = [
  'text',
  'note',
  'reason',
  'number',
  'batch',
  'supplier',
  'shown',
  'customer',
  'who',
  'to',
];

/**
 * Words of some texts, each once: letters and digits, and what is written with dashes or dots in it as one word
 * as well, because a serial number is typed either way.
 */
export function findableWords(texts: readonly string[]): string[] {
  const words = new Set<string>();
  for (const text of texts) {
    for (const word of plainWords(text)) words.add(word);
    for (const whole of plainText(text).split(/\s+/))
      if (/[\p{L}\p{N}][^\p{L}\p{N}]+[\p{L}\p{N}]/u.test(whole))
        words.add(whole.replace(/[^\p{L}\p{N}]+/gu, ''));
    if (words.size >= MOST_WORDS) break;
  }
  return [...words]
    .map((word) => word.slice(0, LONGEST_WORD))
    .filter(Boolean)
    .slice(0, MOST_WORDS);
}

/** Everything of a job that is looked for; its unit and place are others’ to tell. */
export function textsToFind(sheet: Sheet, state: JobState): string[] {
  const own = state.log.flatMap((entry) => {
    if (entry.withdrawnBy !== undefined) return [];
    const body = entry.body as Readonly<Record<string, unknown>>;
    return FIELDS.flatMap((field) => (typeof body[field] === 'string' ? [body[field]] : []));
  });
  const measured = state.taken.flatMap((taken) => {
    if (taken.kind === 'answer') return [`${taken.test.title} ${taken.answer}`];
    const places = [taken.point.red, taken.point.black].flatMap((ref) => {
      const place = ref === undefined ? undefined : locate(sheet, ref);
      return place ? [placeName(place), placeDetail(place) ?? ''] : [];
    });
    return [taken.test.title, ...places];
  });
  const parts = state.works.flatMap(({ body: { part } }) => {
    const known = part === undefined ? undefined : findPart(sheet, part);
    return known ? [known.name, known.number ?? ''] : [];
  });
  const decided = state.log.flatMap((entry) =>
    entry.kind === 'decided' || entry.kind === 'decision' ? [entryWords(entry, sheet)] : [],
  );
  const codes = state.codes.flatMap(({ shown, listed }) => [shown, listed?.title ?? '']);
  return [state.complaint, ...codes, ...parts, ...decided, ...own, ...measured];
}
