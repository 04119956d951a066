/** Importing a sheet file: read, checked, its problems named; saved as the next revision. */
import type { SheetListItem } from '@jeitinho/core';
import type { WrittenSheet } from '@jeitinho/core/sheet';
import type { ReadSheet } from '@jeitinho/core/validate';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { keepSheet, useChangesSheets } from '../../data/keep-sheet';
import { readTextFile } from '../../data/files';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { Notice } from '../../parts/notice';
import { ProblemList } from './problem-list';

interface Opened {
  readonly name: string;
  readonly read?: ReadSheet;
  readonly problem?: string;
}

export function ImportSheet({ known }: { known: readonly SheetListItem[] }) {
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const [opened, setOpened] = useState<Opened>();
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    const { name } = chosen;
    const content = await readTextFile(chosen);
    if (!content.ok) return setOpened({ name, problem: content.problem });
    if (/\.(csv|tsv|txt)$/i.test(name)) {
      void navigate('/sheets/quick', { state: { table: content.text } });
      return;
    }
    // The validator comes only when it is needed.
    const { readSheetText } = await import('@jeitinho/core/validate');
    setOpened({ name, read: readSheetText(content.text) });
  };
  return (
    <>
      <Button onClick={() => file.current?.click()}>Import</Button>
      <input
        ref={file}
        type="file"
        aria-label="Sheet file or table to import"
        accept=".json,.csv,.tsv,.txt,application/json,text/csv"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = '';
          void choose(chosen);
        }}
      />
      <DialogRoot
        open={opened !== undefined}
        onOpenChange={(open) => !open && setOpened(undefined)}
      >
        <DialogFrame title={opened ? `Import ${opened.name}` : 'Import'}>
          {opened && <Outcome opened={opened} known={known} onDone={() => setOpened(undefined)} />}
        </DialogFrame>
      </DialogRoot>
    </>
  );
}

interface OutcomeProps {
  readonly opened: Opened;
  readonly known: readonly SheetListItem[];
  readonly onDone: () => void;
}

function Outcome({ opened, known, onDone }: OutcomeProps) {
  const changes = useChangesSheets();
  const { read, problem } = opened;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const value = read?.ok ? read.value : undefined;
  const there = known.find(({ id }) => id === value?.id);
  const wanted = value && { ...value, revision: there ? there.revision + 1 : value.revision };
  const saving = useMutation({
    networkMode: 'always',
    mutationFn: (sheet: WrittenSheet) => keepSheet(sheet, changes || !there),
    onSuccess: async (kept, { id }) => {
      await queries.invalidateQueries({ queryKey: ['sheets'] });
      if (kept === 'proposed') onDone();
      else void navigate(`/sheets/${encodeURIComponent(id)}`);
    },
  });
  return (
    <div className="mt-3">
      <Notice
        text={
          problem ?? (saving.isError ? `Nothing was saved: ${saving.error.message}` : undefined)
        }
      />
      {read && !read.ok && (
        <>
          <p className="m-0 font-semibold">
            Nothing was saved: the sheet has{' '}
            {read.problems.length === 1 ? 'a problem' : `${read.problems.length} problems`}.
          </p>
          <ProblemList problems={read.problems} />
        </>
      )}
      {value && (
        <>
          <p className="m-0">
            <strong>{value.title}</strong>, {value.tests.length} tests, {value.faults.length}{' '}
            faults.{' '}
            {there
              ? `The library has revision ${there.revision}: this becomes revision ${wanted?.revision}.`
              : `New to the library, revision ${wanted?.revision}.`}
          </p>
          {read && read.warnings.length > 0 && (
            <>
              <p className="m-0 mt-3 font-semibold">Worth a second look, and kept as it is:</p>
              <ProblemList problems={read.warnings} />
            </>
          )}
        </>
      )}
      <div className="mt-4 flex justify-between gap-3">
        <Dialog.Close asChild>
          <Button kind="quiet">Close</Button>
        </Dialog.Close>
        {value && (
          <Button
            kind="go"
            disabled={saving.isPending}
            onClick={() => wanted && saving.mutate(wanted)}
          >
            Save to the library
          </Button>
        )}
      </div>
    </div>
  );
}
