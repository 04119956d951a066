/** The tutorial's sheet works, and every piece of it that the tutorial shows stands in it. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { benchDisagreements } from '../bench/machine/agreement';
import { readSheetText } from '../validate';
import { expandSheet } from './expand/expand';
import { machinesOf } from './expand/variants';
import { writeSheet } from './write';

const DOCS = join(__dirname, '../../../docs/how-to');
const text = readFileSync(join(DOCS, 'first-sheet.json'), 'utf8');
const read = readSheetText(text);
if (!read.ok) throw new Error(JSON.stringify(read.problems));
const sheet = read.value;

test('it is sound without a warning, and written as the writer writes', () => {
  expect(read.warnings).toEqual([]);
  expect(writeSheet(sheet)).toBe(text);
});

test.each(machinesOf(sheet.variants ?? []))('its bench reads what it says, %j', (chosen) => {
  expect(benchDisagreements(expandSheet(sheet, chosen).sheet)).toEqual([]);
});

const blocks = [
  ...readFileSync(join(DOCS, 'write-a-sheet.md'), 'utf8').matchAll(/```json\n([\s\S]*?)```/g),
].map(([, block]) => JSON.parse(block!) as unknown);

test('the tutorial shows enough of it', () => {
  expect(blocks.length).toBeGreaterThan(12);
});

test.each(blocks.map((block) => [JSON.stringify(block).slice(0, 80), block]))(
  'what is shown stands in it: %s',
  (_, block) => {
    expect(occurs(sheet, block)).toBe(true);
  },
);

const occurs = (within: unknown, piece: unknown): boolean =>
  contains(within, piece) ||
  (within !== null &&
    typeof within === 'object' &&
    Object.values(within).some((each) => occurs(each, piece)));

/** Whether a thing has all that a piece of it shows. */
function contains(whole: unknown, piece: unknown): boolean {
  if (piece === null || typeof piece !== 'object') return whole === piece;
  if (whole === null || typeof whole !== 'object') return false;
  if (Array.isArray(piece))
    return (
      Array.isArray(whole) && piece.every((each) => whole.some((other) => contains(other, each)))
    );
  return Object.entries(piece).every(([key, each]) =>
    contains((whole as Record<string, unknown>)[key], each),
  );
}
