/** What every card of a job needs: the sheet, the state folded from the log, and how to add to it. */
import type { JobResource } from '@jeitinho/core';
import { useMe } from '../../data/me';
import { mayWrite, notYourVisit } from '../../data/own-visit';
import { assess, type Assessment } from '@jeitinho/core/diagnose';
import {
  canWithdraw,
  refusalOf,
  type BodyOf,
  type EntryKind,
  type FoldedEntry,
  type JobState,
} from '@jeitinho/core/job';
import type { Sheet, WrittenSheet } from '@jeitinho/core/sheet';
import { useLiveQuery } from 'dexie-react-hooks';
import { useLocation } from 'react-router';
import {
  createContext,
  useCallback,
  useContext,
  useDeferredValue,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { forgetAhead, leftAhead, noteAhead } from '../../data/ahead';
import { foldedLog, signOf, type Folded } from '../../data/folded';
import { localStore, type LocalEntry } from '../../data/local-store';
import { entryNow, keepEntry } from '../../data/record';
import { askToPersist } from '../../data/storage';
import { syncNow, useSync } from '../../data/sync-status';

export interface JobContext {
  readonly job: JobResource;
  /** As it is for this machine. */
  readonly sheet: Sheet;
  readonly state: JobState;
  /** Record an entry; false when the rules refuse it, with the reason in `notice`. */
  readonly record: <K extends EntryKind>(kind: K, body: BodyOf<K>) => Promise<boolean>;
  /** Withdraw the latest entry that can be; gives it back, or undefined when nothing was withdrawn. */
  readonly undo: () => Promise<FoldedEntry | undefined>;
  /** The last refusal or failure, in words; undefined once something succeeded. */
  readonly notice: string | undefined;
  readonly dismiss: () => void;
}

const Context = createContext<JobContext | undefined>(undefined);

/** What no entry changes. */
export type JobWriting = Pick<JobContext, 'job' | 'record'>;

const Writing = createContext<JobWriting | undefined>(undefined);

/** The job and how to add to it, for what is not to be drawn anew with every entry. */
export function useWriting(): JobWriting {
  const value = useContext(Writing);
  if (!value) throw new Error('useWriting belongs below JobProvider');
  return value;
}

const Entries = createContext<readonly LocalEntry[]>([]);

/** All entries on the device, sent or not, also those the server refused: for what says how they stand. */
export const useEntriesHere = (): readonly LocalEntry[] => useContext(Entries);

export function useJob(): JobContext {
  const value = useContext(Context);
  if (!value) throw new Error('useJob belongs below JobProvider');
  return value;
}

/** The log as the device has it, and ahead of it what was just written and is on its way there. */
function useEntries(jobId: string) {
  const kept = useLiveQuery(() => localStore.entries.where({ jobId }).toArray(), [jobId]);
  const [ahead, setAhead] = useState<readonly LocalEntry[]>([]);
  const onItsWay = useMemo(() => {
    const here = new Set(kept?.map(({ id }) => id));
    return ahead.filter(({ id }) => !here.has(id));
  }, [kept, ahead]);
  const all = useMemo(() => kept && [...kept, ...onItsWay], [kept, onItsWay]);
  const sign = all && signOf(all);
  // An entry that has come to where it was shown before changes nothing on the screen.
  // oxlint-disable-next-line react/exhaustive-deps
  const entries = useMemo(() => all, [sign]);
  const show = useCallback(
    (entry: LocalEntry) => setAhead((before) => [...before.slice(-MOST_AHEAD), entry]),
    [],
  );
  const hide = useCallback(
    (entry: LocalEntry) => setAhead((before) => before.filter(({ id }) => id !== entry.id)),
    [],
  );
  /** Entries: undefined until the device's store has answered. */
  return { entries, keeping: onItsWay.length > 0, show, hide };
}

/** Long before so many more are written, the first has come to the store. */
const MOST_AHEAD = 50;

export function JobProvider({
  job,
  written,
  children,
}: {
  job: JobResource;
  written: WrittenSheet;
  children: ReactNode;
}) {
  const asked = useSync(job.id);
  const { entries, keeping, show, hide } = useEntries(job.id);
  const [notice, setNotice] = useNotice();
  const me = useMe();
  const author = me?.name ?? 'technician';
  const folded = useMemo(() => foldedLog(written, entries ?? []), [written, entries]);
  const { sheet, state } = folded;

  // Only when something is written: that the server answered is nothing that a card must be drawn anew for.
  const latest = useRef({ entries: entries ?? [], folded });
  useLayoutEffect(() => {
    latest.current = { entries: entries ?? [], folded };
  }, [entries, folded]);

  const record = useCallback(
    async <K extends EntryKind>(kind: K, body: BodyOf<K>) => {
      const { entries, folded } = latest.current;
      const authors = entries.map((entry) => entry.author);
      if (me && !mayWrite(job, me, authors)) {
        setNotice(notYourVisit(job), body);
        return false;
      }
      const target = { jobId: job.id, written, author };
      const entry = entryNow(target, kind, body, entries);
      // On the screen at once where the rules let it by what stands there. The store has the last word: another
      // tab, or the entry before this one in the same breath, may have written what this screen does not know.
      if (!refusalOf(folded.sheet, folded.state, entry)) show(entry);
      noteAhead(entry);
      try {
        const refusal = await keepEntry(target, entry);
        forgetAhead(entry);
        setNotice(refusal?.message, body);
        if (refusal) {
          hide(entry);
          return false;
        }
        askToPersist();
        void syncNow(job.id);
        return true;
      } catch {
        hide(entry);
        forgetAhead(entry);
        setNotice(
          'This device could not keep the entry: its storage refuses. Nothing typed was cleared.',
        );
        return false;
      }
    },
    [job, me, written, author, setNotice, show, hide],
  );

  // What was on its way when the page was closed last; refused or there already, it is done with.
  useEffect(() => {
    for (const entry of leftAhead(job.id))
      void keepEntry({ jobId: job.id, written, author }, entry)
        .catch(() => undefined)
        .then(() => forgetAhead(entry));
  }, [job.id, written, author]);

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
      record,
      undo,
      notice,
      dismiss: () => setNotice(undefined),
    }),
    [job, sheet, state, record, undo, notice, setNotice],
  );
  const writing = useMemo(() => ({ job, record }), [job, record]);
  // A job opened here for the first time: without its log it would be judged as one of before.
  if (entries === undefined || (entries.length === 0 && !asked)) return null;
  return (
    <Writing.Provider value={writing}>
      <Context.Provider value={value}>
        <Entries.Provider value={entries}>
          <Keeping.Provider value={keeping}>
            <Assessing folded={folded}>{children}</Assessing>
          </Keeping.Provider>
        </Entries.Provider>
      </Context.Provider>
    </Writing.Provider>
  );
}

const Keeping = createContext(false);

/** Whether something on the screen is not in the device's store yet. */
export const useKeeping = (): boolean => useContext(Keeping);

const AssessmentContext = createContext<Assessment | undefined>(undefined);

/**
 * What the findings say of the suspects. It comes a moment after the finding itself: the verdict is on the
 * screen first, and a key that is pressed meanwhile is answered before it.
 */
export function useAssessment(): Assessment {
  const value = useContext(AssessmentContext);
  if (!value) throw new Error('useAssessment belongs below JobProvider');
  return value;
}

interface AssessingProps {
  readonly folded: Folded;
  readonly children: ReactNode;
}

function Assessing({ folded, children }: AssessingProps) {
  // Sheet and state together: a state is of the machine that its sheet was written out for.
  const settled = useDeferredValue(folded);
  const assessment = useMemo(() => assess(settled.sheet, settled.state), [settled]);
  return (
    <SettledContext.Provider value={settled}>
      <AssessmentContext.Provider value={assessment}>{children}</AssessmentContext.Provider>
    </SettledContext.Provider>
  );
}

const SettledContext = createContext<Folded | undefined>(undefined);

/** Sheet and state that the assessment is of: for what is reckoned from it, which no key should wait for. */
export function useSettled(): Folded {
  const value = useContext(SettledContext);
  if (!value) throw new Error('useSettled belongs below JobProvider');
  return value;
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
