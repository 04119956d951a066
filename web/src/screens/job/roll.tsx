/** The job log as a paper strip: every entry in order, withdrawn ones struck through. */
import { inLogOrder, type FoldedEntry } from '@jeitinho/core';
import { useEffect, useRef } from 'react';
import { clockTime } from '../../data/now';
import { asStored } from '../../data/local-store';
import { entryWords } from './entry-words';
import { useJob } from './job-context';

export function Roll() {
  const { state, entries, sheet, record } = useJob();
  const end = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // Braces: newer browsers return a promise here, which is no clean-up.
    void end.current?.scrollIntoView({ block: 'end' });
  }, [state.log.length]);
  const refused = entries.filter((entry) => entry.sendState === 'refused');
  const unsent = new Set(entries.filter((e) => e.sendState === 'unsent').map((e) => e.id));
  if (state.log.length === 0)
    return (
      <p className="px-[18px] py-4 text-soft">
        Nothing yet. What you record appears here, newest at the bottom.
      </p>
    );
  return (
    <>
      <ol className="m-0 list-none px-[18px] py-2" aria-label="Roll, newest at the bottom">
        {state.log.map((entry) => (
          <RollLine
            key={entry.id}
            entry={entry}
            words={entryWords(entry, sheet)}
            unsent={unsent.has(entry.id)}
            onWithdraw={
              canWithdraw(entry, state.signed !== undefined)
                ? () => void record('withdrawn', { entry: entry.id, reason: '' })
                : undefined
            }
          />
        ))}
      </ol>
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
        </section>
      )}
      <div ref={end} />
    </>
  );
}

function canWithdraw(entry: FoldedEntry, signed: boolean): boolean {
  if (entry.withdrawnBy !== undefined || entry.kind === 'opened' || entry.kind === 'withdrawn')
    return false;
  return !signed || entry.kind === 'signed';
}

interface RollLineProps {
  readonly entry: FoldedEntry;
  readonly words: string;
  readonly unsent: boolean;
  readonly onWithdraw: (() => void) | undefined;
}

function RollLine({ entry, words, unsent, onWithdraw }: RollLineProps) {
  const struck = entry.withdrawnBy !== undefined;
  return (
    <li className="flex items-center gap-2 border-b border-hair text-[15px]">
      <span className="figure shrink-0 text-[13px] text-soft">{clockTime(entry.at)}</span>
      <span className="min-w-0 flex-1 py-1.5">
        {struck ? (
          <>
            <s className="text-soft">{words}</s>{' '}
            <span className="text-[13px] text-soft">withdrawn</span>
          </>
        ) : (
          words
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
    </li>
  );
}
