/** What every card of a job needs: the sheet, the state folded from the log, and how to add to it. */
import type { JobResource } from '@jeitinho/core';
import { assess, type Assessment } from '@jeitinho/core/diagnose';
import {
  canWithdraw,
  foldJob,
  type BodyOf,
  type EntryKind,
  type FoldedEntry,
  type JobState,
} from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';
import { useLiveQuery } from 'dexie-react-hooks';
import { useLocation } from 'react-router';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import { countedEntries, localStore, type LocalEntry } from '../../data/local-store';
import { recordEntry } from '../../data/record';
import { askToPersist } from '../../data/storage';
import { syncNow, useSync } from '../../data/sync-status';

export interface JobContext {
  readonly job: JobResource;
  readonly sheet: Sheet;
  readonly state: JobState;
  readonly assessment: Assessment;
  /** All entries on the device, also those the server refused. */
  readonly entries: readonly LocalEntry[];
  /** Record an entry; false when the rules refuse it, with the reason in `notice`. */
  readonly record: <K extends EntryKind>(kind: K, body: BodyOf<K>) => Promise<boolean>;
  /** Withdraw the latest entry that can be; gives it back, or undefined when nothing was withdrawn. */
  readonly undo: () => Promise<FoldedEntry | undefined>;
  /** The last refusal or failure, in words; undefined once something succeeded. */
  readonly notice: string | undefined;
  readonly dismiss: () => void;
}

const Context = createContext<JobContext | undefined>(undefined);

export function useJob(): JobContext {
  const value = useContext(Context);
  if (!value) throw new Error('useJob belongs below JobProvider');
  return value;
}

/** @returns undefined until the device's store has answered. */
function useEntries(jobId: string): LocalEntry[] | undefined {
  return useLiveQuery(() => localStore.entries.where({ jobId }).toArray(), [jobId]);
}

export function JobProvider({
  job,
  sheet,
  children,
}: {
  job: JobResource;
  sheet: Sheet;
  children: ReactNode;
}) {
  useSync(job.id);
  const entries = useEntries(job.id);
  const [notice, setNotice] = useNotice();
  const author = job.shop.technician || 'technician';
  const state = useMemo(() => foldJob(sheet, countedEntries(entries ?? [])), [sheet, entries]);
  const assessment = useMemo(() => assess(sheet, state), [sheet, state]);

  const record = useCallback(
    async <K extends EntryKind>(kind: K, body: BodyOf<K>) => {
      try {
        const refusal = await recordEntry({ jobId: job.id, sheet, author }, kind, body);
        setNotice(refusal?.message, body);
        if (!refusal) {
          askToPersist();
          void syncNow(job.id);
        }
        return refusal === undefined;
      } catch {
        setNotice(
          'This device could not keep the entry: its storage refuses. Nothing typed was cleared.',
        );
        return false;
      }
    },
    [job.id, sheet, author, setNotice],
  );

  const undo = useCallback(async () => {
    const last = state.log.findLast(canWithdraw);
    if (!last) return undefined;
    return (await record('withdrawn', { entry: last.id, reason: '' })) ? last : undefined;
  }, [state.log, record]);

  const value = useMemo(
    () => ({
      job,
      sheet,
      state,
      assessment,
      entries: entries ?? [],
      record,
      undo,
      notice,
      dismiss: () => setNotice(undefined),
    }),
    [job, sheet, state, assessment, entries, record, undo, notice, setNotice],
  );
  if (entries === undefined) return null;
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

interface PlacedNotice {
  readonly text: string;
  readonly stage: string;
  /** The test that it is about, where it is about one. */
  readonly test: string | undefined;
}

/** What was refused belongs to the place where it was tried: it does not follow to another. */
function useNotice() {
  const [notice, setNotice] = useState<PlacedNotice>();
  const { pathname: stage, search } = useLocation();
  const here = testAt(search);
  const elsewhere =
    notice &&
    (notice.stage !== stage ||
      (notice.test !== undefined && here !== undefined && notice.test !== here));
  const tell = useCallback(
    (text: string | undefined, about?: object) => {
      const test = about && 'test' in about ? String(about.test) : undefined;
      setNotice(text === undefined ? undefined : { text, stage, test });
    },
    [stage],
  );
  return [elsewhere ? undefined : notice?.text, tell] as const;
}

/** The test that an address names, by itself or by one of its points. */
function testAt(search: string): string | undefined {
  const query = new URLSearchParams(search);
  return query.get('test') ?? query.get('at')?.split('@')[0];
}
