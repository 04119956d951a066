/** What a piece of evidence is about. */
import { workWords } from '../job/kinds/work';
import type { Sheet } from '../sheet/schema';
import type { EvidenceItem } from './suspects';

/** What it is about, in a word or two. */
export function evidenceName(from: EvidenceItem['from'], sheet: Sheet): string {
  switch (from.kind) {
    case 'code':
      return `code ${from.code}`;
    case 'symptom':
      return sheet.symptoms?.find(({ id }) => id === from.symptom)?.text ?? from.symptom;
    case 'looked':
      return from.seen ? 'complaint seen' : 'complaint not seen';
    case 'group':
      return from.group.title;
    case 'store':
      return from.store.pair.name;
    case 'taken':
      return from.taken.test.title;
    case 'carried':
      return `earlier visit: ${from.words}`;
    case 'work':
      return workWords(from.work.body, sheet);
    case 'ran':
      return 'the machine ran';
    default:
      from satisfies never;
      return '';
  }
}
