/** What a piece of evidence is about. */
import { workWords } from '../job/kinds/work';
import { codeKey, codeWords } from '../sheet/codes/match';
import type { Sheet } from '../sheet/schema';
import { NO_CODE } from './model';
import type { EvidenceItem } from './suspects';

const codeName = ({ codes }: Sheet, key: string): string => {
  const listed = codes.list.find((each) => codeKey(each) === key);
  return `code ${listed ? codeWords(listed) : key}`;
};

/** What it is about, in a word or two. */
export function evidenceName(from: EvidenceItem['from'], sheet: Sheet): string {
  switch (from.kind) {
    case 'code':
      return from.code === NO_CODE ? 'no code shown' : codeName(sheet, from.code);
    case 'symptom':
      return sheet.symptoms?.find(({ id }) => id === from.symptom)?.text ?? from.symptom;
    case 'looked':
      return from.seen ? 'complaint seen' : 'complaint not seen';
    case 'group':
      return from.group.test.title;
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
