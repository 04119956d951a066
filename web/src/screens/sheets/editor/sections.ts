/** The parts of a sheet as the editor shows them, in the order of writing one. */
export const SECTIONS = [
  { key: 'equipment', words: 'Machine' },
  { key: 'source', words: 'Document' },
  { key: 'repeats', words: 'Copies' },
  { key: 'variants', words: 'Variants' },
  { key: 'safety', words: 'Safety' },
  { key: 'boards', words: 'Boards' },
  { key: 'harnesses', words: 'Harnesses' },
  { key: 'paths', words: 'Paths' },
  { key: 'curves', words: 'Sensor curves' },
  { key: 'states', words: 'States' },
  { key: 'access', words: 'Access' },
  { key: 'codes', words: 'Codes' },
  { key: 'symptoms', words: 'Symptoms' },
  { key: 'tests', words: 'Tests' },
  { key: 'conditions', words: 'Conditions' },
  { key: 'sequences', words: 'Sequences' },
  { key: 'rules', words: 'Rules over several' },
  { key: 'parts', words: 'Parts' },
  { key: 'faults', words: 'Faults' },
  { key: 'repairs', words: 'Repairs' },
  { key: 'tries', words: 'Tries' },
  { key: 'procedures', words: 'Procedures' },
  { key: 'written-out', words: 'Written out' },
  { key: 'text', words: 'As text' },
] as const;

export type SectionKey = (typeof SECTIONS)[number]['key'];

/** The section that a JSON path lies in. */
export function sectionOf(path: string): SectionKey {
  const [, first] = path.split('/');
  return SECTIONS.find(({ key }) => key === first)?.key ?? 'equipment';
}
