/** Saving a sheet as the next revision; when somebody was quicker, nothing is lost and both can be seen. */
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiProblem } from '../../../data/api';
import { keepSheet, useChangesSheets } from '../../../data/keep-sheet';
import { sheetOptions } from '../../../data/queries';
import { Button } from '../../../parts/button';
import { FIELD } from '../../../parts/field';
import { Notice } from '../../../parts/notice';
import { Changes } from '../compare';
import type { Checks } from './use-checks';
import { dropDraft } from './use-sheet-draft';

interface SaveBarProps {
  readonly id: string;
  readonly base: number;
  readonly sheet: WrittenSheet;
  readonly checks: Checks;
  readonly newest: WrittenSheet | undefined;
}

export function SaveBar({ id, base, sheet, checks, newest }: SaveBarProps) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [theirs, setTheirs] = useState<WrittenSheet>();
  const [comparing, setComparing] = useState(false);
  const changes = useChangesSheets();
  const proposes = !changes && base > 0;
  const [note, setNote] = useState('');
  const wanted = (theirs?.revision ?? base) + 1;
  const saving = useMutation({
    networkMode: 'always',
    mutationFn: () => keepSheet({ ...sheet, revision: wanted }, !proposes, note.trim()),
    onSuccess: async (kept) => {
      await dropDraft(id);
      await queries.invalidateQueries({ queryKey: ['sheets'] });
      // What was proposed waits among the others.
      void navigate(kept === 'proposed' ? '/sheets' : `/sheets/${encodeURIComponent(id)}`);
    },
    onError: async (error) => {
      if (!(error instanceof ApiProblem) || error.problem.code !== 'revision-taken') return;
      // Fetched anew: what is known here is what was there before them.
      const fresh = await queries
        .fetchQuery({ ...sheetOptions(id), staleTime: 0 })
        .catch(() => undefined);
      setTheirs(fresh);
    },
  });
  const discard = async () => {
    await dropDraft(id);
    void navigate(base === 0 ? '/sheets' : `/sheets/${encodeURIComponent(id)}`);
  };
  const sound = checks.of === sheet && checks.problems.length === 0;
  const changed = newest === undefined || newest !== sheet;
  return (
    <div className="sticky bottom-0 mt-6 border-t border-ink bg-paper py-3">
      <Notice
        text={
          saving.isError
            ? `Not saved; your text is kept on this device. ${saving.error.message}`
            : undefined
        }
      />
      {theirs && comparing && (
        <section aria-label="Theirs and yours" className="max-h-80 overflow-y-auto">
          <p className="m-0 mt-2 font-semibold">From revision {theirs.revision} to yours:</p>
          <Changes before={theirs} after={sheet} />
        </section>
      )}
      <div className="flex flex-wrap items-center justify-between gap-3">
        <Button kind="quiet" onClick={() => void discard()}>
          Discard my changes
        </Button>
        <span className="flex flex-wrap items-end gap-2">
          {proposes && (
            <label className="text-[14px] text-soft">
              Why, for the lead who looks at it
              <input
                value={note}
                maxLength={1000}
                onChange={(event) => setNote(event.target.value)}
                className={FIELD}
              />
            </label>
          )}
          {theirs && (
            <Button onClick={() => setComparing(!comparing)}>
              {comparing ? 'Hide the differences' : `Compare with revision ${theirs.revision}`}
            </Button>
          )}
          <Button
            kind="go"
            disabled={!sound || !changed || saving.isPending}
            onClick={() => saving.mutate()}
          >
            {!sound
              ? 'Mend first, then save'
              : proposes
                ? `Propose as revision ${wanted}`
                : `Save as revision ${wanted}`}
          </Button>
        </span>
      </div>
    </div>
  );
}
