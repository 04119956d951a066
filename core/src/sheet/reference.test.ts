/** The page of the sheet's language is made from the schema. `DOCS_WRITE=1` writes it anew. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sheetReference } from '../../test/sheet-reference';

const FILE = join(__dirname, '../../../docs/sheet-reference.md');

test('the reference is that of the schema, every field with its words', () => {
  const page = sheetReference();
  if (process.env.DOCS_WRITE) writeFileSync(FILE, page);
  expect(readFileSync(FILE, 'utf8')).toBe(page);
});

test('fields of every floor are in it, with what the source says of them', () => {
  const page = sheetReference();
  for (const field of ['coincidence', 'deadBelow', 'statedAt', 'plusMinus', 'intermittent'])
    expect(page).toMatch(new RegExp(`\\| \\**${field}\\** \\||${field}:`));
  expect(page).toContain('The repeat of which every copy has one');
  expect(page).toContain('| `legs` |');
  expect(page).not.toMatch(/undefined|\[object/);
});
