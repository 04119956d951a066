/** A sheet as files: the whole as JSON, its pins and its measurements as CSV. */
import { measurementTable, pinTable, writeSheet, type WrittenSheet } from '@jeitinho/core/sheet';
import { useMachine } from './machine-choice';
import { DropdownMenu } from 'radix-ui';
import { download } from '../../data/files';
import { csvOf } from '../../papers/csv';

const ITEM =
  'flex min-h-11 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-jade-tint';

export function ExportMenu({ sheet }: { sheet: WrittenSheet }) {
  // A table is of one machine; the whole sheet is as its author wrote it.
  const { sheet: plain } = useMachine(sheet);
  const name = `${sheet.id}-rev${sheet.revision}`;
  const csv = (table: readonly (readonly string[])[], what: string) =>
    download(`${name}-${what}.csv`, csvOf(table), 'text/csv');
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="min-h-11 cursor-pointer border border-soft bg-card px-4">
        Export ▾
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="border border-ink bg-card" sideOffset={4}>
          <DropdownMenu.Item
            className={ITEM}
            onSelect={() => download(`${name}.json`, writeSheet(sheet), 'application/json')}
          >
            Whole sheet, JSON
          </DropdownMenu.Item>
          <DropdownMenu.Item className={ITEM} onSelect={() => csv(pinTable(plain), 'pins')}>
            Pins, CSV
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={ITEM}
            onSelect={() => csv(measurementTable(plain), 'tests')}
          >
            Measurements, CSV
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
