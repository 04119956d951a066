/** Read: what the display shows. A code raises suspects; it never proves one. */
import {
  codeWords,
  decodeCode,
  flaggedCodes,
  normaliseCode,
  type FlaggedCode,
} from '@jeitinho/core/sheet';
import { useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useDraft } from '../../data/draft';
import { ActionBar } from '../../parts/action-bar';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { LookedAsk } from '../decide/looked-ask';
import { useJob } from '../job/job-context';
import { useGoOn } from '../job/paths';
import { BlinkTapper } from './blink-tapper';
import { CodeChoices } from './code-choices';
import { Flagged } from './flagged';
import { KeptCodes } from './kept-codes';
import { ListedElsewhere } from './listed-elsewhere';
import { MachineFace } from './machine-face';
import { StoredHistory } from './stored-history';
import { Symptoms } from './symptoms';

const LONGEST = 12;

export function Read() {
  const { job, sheet, state, record } = useJob();
  const [draft, setDraft] = useDraft(`code.${job.id}`);
  // A code that was looked for stands there to be looked at, until another is typed.
  const [params] = useSearchParams();
  const [looked, setLooked] = useState(params.get('code')?.slice(0, LONGEST) ?? '');
  const text = draft === '' ? looked : draft;
  const setText = (typed: string) => {
    setLooked('');
    setDraft(typed);
  };
  const field = useRef<HTMLInputElement>(null);
  const read = state.codes.length > 0 || state.noCode || state.histories !== undefined;
  const typed = normaliseCode(text);
  const flags = typed === '' ? undefined : flaggedCodes(sheet, typed);
  const decoded = typed === '' ? undefined : decodeCode(sheet, typed);
  const match = decoded?.listed;
  const keep = async (shown: string | null, unit?: string) => {
    if (await record('code', { shown, ...(unit !== undefined && { unit }) })) setText('');
  };
  /** The word as it was shown, and each code that a bit of it stands for. */
  const keepFlags = async (set: readonly FlaggedCode[]) => {
    if (!(await record('observed', { text: `Status word ${typed}` }))) return;
    for (const { code } of set) await record('code', { shown: code });
    setText('');
  };
  /** As it is read; of several units that have it, it must be said which one. */
  const keepTyped = () =>
    flags ? void keepFlags(flags) : decoded && !decoded.copies && void keep(typed);
  const goOn = useGoOn('read');
  useKeys({ Enter: () => (typed !== '' ? keepTyped() : read && goOn()) });
  const [scheme] = sheet.codes.schemes;
  const blinks = sheet.codes.schemes.find(({ shown }) => shown === 'blinks');
  return (
    <>
      <div className="relative min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
        <h1 className="m-0 text-[25px] font-bold">
          {blinks && !sheet.codes.schemes.some(({ shown }) => shown === 'digits')
            ? 'What does the lamp say?'
            : 'What does the display show?'}
        </h1>
        {scheme?.hint && <p className="m-0 mt-1 text-soft">{scheme.hint}</p>}

        <div className="mt-5 flex items-end gap-5 max-sm:flex-col max-sm:items-stretch">
          <label className="block w-60 text-[14px] text-soft max-sm:w-full">
            Code
            <input
              ref={field}
              autoFocus
              data-keys="on"
              value={text}
              maxLength={LONGEST}
              autoComplete="off"
              inputMode="numeric"
              onChange={(event) => setText(event.target.value)}
              className="reading-field figure block h-[92px] w-full border-0 border-b-4 border-ink bg-transparent text-[64px] focus:border-jade text-ink"
            />
          </label>
          <p role="status" className="m-0 min-h-12 flex-1 text-[18px]">
            {typed === '' ? (
              <span className="text-soft">Type it, or choose below.</span>
            ) : flags ? (
              <Flagged shown={typed} flags={flags} />
            ) : match ? (
              <>
                <span className="figure">{codeWords(match)}</span> · <strong>{match.title}</strong>
              </>
            ) : decoded?.copies ? (
              <>
                <span className="figure">{decoded.code}</span> ·{' '}
                <strong>{decoded.copies[0]!.title}</strong>. Which one is it about?
              </>
            ) : (
              <span className="text-marigold">
                <span className="figure">{typed}</span> is not on this sheet. It is kept as read,
                and moves no suspect.
                <ListedElsewhere code={typed} />
              </span>
            )}
          </p>
        </div>

        {decoded?.copies && (
          <div
            role="group"
            aria-label="Which one it is about"
            className="mt-2 flex flex-wrap gap-2"
          >
            {decoded.copies.map((copy) => (
              <button
                key={copy.unit}
                type="button"
                onClick={() => void keep(typed, copy.unit)}
                className="min-h-[52px] cursor-pointer border-2 border-jade bg-card px-5 text-[17px] font-semibold"
              >
                {copy.unitName ?? copy.unit}
              </button>
            ))}
          </div>
        )}
        <LookedAsk early />
        <MachineFace />
        {blinks && <BlinkTapper scheme={blinks} onKeep={(shown) => void keep(shown)} />}
        <CodeChoices onPick={(code) => setText(code)} keep={(shown) => void keep(shown)} />
        <Symptoms />
        <StoredHistory />
        <KeptCodes />
      </div>
      <ActionBar
        title={
          typed !== ''
            ? decoded?.copies
              ? `${typed}: which one is it about?`
              : flags
                ? `Keep ${flags.map(({ code }) => code).join(', ')}`
                : `Keep ${typed}`
            : read
              ? 'Next: Make safe'
              : 'Read the display first'
        }
        detail={
          typed === '' && read
            ? 'a code raises suspects, it proves none'
            : 'or say that it shows no code'
        }
      >
        {typed !== '' ? (
          <Button kind="go" hint="Enter" onClick={keepTyped} disabled={!!decoded?.copies}>
            Keep the code
          </Button>
        ) : (
          <Button kind="go" hint="Enter" onClick={goOn} disabled={!read}>
            Go on to Make safe
          </Button>
        )}
      </ActionBar>
    </>
  );
}
