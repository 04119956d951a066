/** The job log as a paper strip: every entry in order, withdrawn ones struck through. */
import {
  canWithdraw,
  entryWords,
  inLogOrder,
  isEntry,
  placeOfEntry,
  type EntryPlace,
  type FoldedEntry,
} from '@jeitinho/core/job';
import { useState } from 'react';
import { Link } from 'react-router';
import { Said } from '../../parts/said';
import { clockTime } from '../../data/now';
import { asStored } from '../../data/local-store';
import { sendAgain } from '../../data/outbox';
import { syncNow } from '../../data/sync-status';
import { Button } from '../../parts/button';
import { Photo } from '../../parts/photo';
import { ReasonDialog } from '../../parts/reason-dialog';
import { placePath } from './paths';
import { FILTER_WORDS, passes, ROLL_FILTERS, type RollFilter } from './roll-filters';
import { RollList } from './roll-list';
import { useEntriesHere, useSettled, useWriting } from './job-context';

export function Roll() {
  const { job, record } = useWriting();
  const { state, sheet } = useSettled();
  const entries = useEntriesHere();
  const [filter, setFilter] = useState<RollFilter>('all');
  const [wanted, setWanted] = useState('');
  const [unsigning, setUnsigning] = useState<string>();
  const refused = entries.filter((entry) => entry.sendState === 'refused');
  const unsent = new Set(entries.filter((e) => e.sendState === 'unsent').map((e) => e.id));
  if (state.log.length === 0)
    return (
      <p className="px-[18px] py-4 text-soft">
        Nothing yet. What you record appears here, newest at the bottom.
      </p>
    );
  const lines = state.log
    .map((entry) => ({ entry, words: entryWords(entry, sheet) }))
    .filter(
      ({ entry, words }) =>
        passes(entry, filter) && words.toLowerCase().includes(wanted.trim().toLowerCase()),
    );
  return (
    <>
      <div className="flex gap-2 px-[18px] pt-2">
        <label className="min-w-0 flex-1">
          <span className="sr-only">Show of the roll</span>
          <select
            value={filter}
            onChange={(event) => setFilter(event.target.value as RollFilter)}
            className="min-h-11 w-full cursor-pointer border border-soft bg-card px-2 text-[15px] text-ink"
          >
            {ROLL_FILTERS.map((each) => (
              <option key={each} value={each}>
                {FILTER_WORDS[each]}
              </option>
            ))}
          </select>
        </label>
        <label className="min-w-0 flex-1">
          <span className="sr-only">Words in the roll</span>
          <input
            type="search"
            value={wanted}
            placeholder="words"
            onChange={(event) => setWanted(event.target.value)}
            className="min-h-11 w-full border border-soft bg-card px-2 text-[15px] text-ink"
          />
        </label>
      </div>
      <Said className="px-[18px] text-soft">
        {lines.length === 0 && <> Nothing of that kind in the roll.</>}
      </Said>
      <RollList
        lines={lines}
        newest={state.log.length}
        keyOf={({ entry }) => entry.id}
        draw={({ entry, words }) => (
          <RollLine
            entry={entry}
            words={words}
            to={jumpTo(job.id, placeOfEntry(entry, sheet))}
            unsent={unsent.has(entry.id)}
            onWithdraw={
              canWithdraw(entry) && (!state.signed || entry.kind === 'signed')
                ? () =>
                    entry.kind === 'signed'
                      ? setUnsigning(entry.id)
                      : void record('withdrawn', { entry: entry.id, reason: '' })
                : undefined
            }
          />
        )}
      />
      {refused.length > 0 && (
        <section
          className="mx-[18px] mb-4 border-l-4 border-brick bg-brick-tint px-3 py-2"
          aria-label="Not accepted"
        >
          <strong>Not accepted by the server; kept here, not counted</strong>
          <ul className="m-0 list-none p-0 text-[14px]">
            {inLogOrder(refused.map(asStored)).map((entry) => (
              <li key={entry.id}>
                {clockTime(entry.at)} {entryWords(entry, sheet)}.{' '}
                {refused.find((r) => r.id === entry.id)?.refusal}
              </li>
            ))}
          </ul>
          <Button kind="quiet" onClick={() => void sendAgain(job.id).then(() => syncNow(job.id))}>
            Send again
          </Button>
        </section>
      )}
      <ReasonDialog
        open={unsigning !== undefined}
        title="Withdraw the signature: why?"
        reasons={UNSIGNED_BECAUSE}
        act="Withdraw it"
        leave="It stays signed"
        onClose={() => setUnsigning(undefined)}
        onReason={(reason) => {
          setUnsigning(undefined);
          if (unsigning !== undefined) void record('withdrawn', { entry: unsigning, reason });
        }}
      />
    </>
  );
}

const UNSIGNED_BECAUSE = ['signed too early', 'something is wrong in the report'];

const jumpTo = (job: string, place: EntryPlace | undefined) => place && placePath(job, place);

interface RollLineProps {
  readonly entry: FoldedEntry;
  readonly words: string;
  /** Where it was made. */
  readonly to: string | undefined;
  readonly unsent: boolean;
  readonly onWithdraw: (() => void) | undefined;
}

function RollLine({ entry, words, to, unsent, onWithdraw }: RollLineProps) {
  const struck = entry.withdrawnBy !== undefined;
  const text = struck ? (
    <>
      <s className="text-soft">{words}</s> <span className="text-[13px] text-soft">withdrawn</span>
    </>
  ) : (
    words
  );
  return (
    <>
      <span className="figure shrink-0 text-[13px] text-soft">{clockTime(entry.at)}</span>
      <span className="min-w-0 flex-1 py-1.5">
        {to === undefined ? (
          text
        ) : (
          <Link
            to={to}
            className="flex min-h-11 items-center text-ink no-underline hover:underline"
          >
            <span>{text}</span>
          </Link>
        )}
        {isEntry('photo', entry) && !struck && (
          <Photo hash={entry.body.hash} words={words} className="mt-1 max-h-28" />
        )}
        {unsent && <span className="text-[13px] text-soft"> · to send</span>}
      </span>
      {onWithdraw && (
        <button
          type="button"
          onClick={onWithdraw}
          aria-label={`Withdraw: ${words}`}
          className="min-h-11 shrink-0 cursor-pointer px-1 text-[13px] text-soft underline decoration-hair"
        >
          withdraw
        </button>
      )}
    </>
  );
}
