/** Zeroing the leads: short them together, note the figure; it is subtracted from resistances. */
import {
  accuracyAt,
  formatQuantity,
  parseEntry,
  sameFunction,
  spoiledBy,
  splitQuantity,
} from '@jeitinho/core';
import { LEADS_TOGETHER, type Placement } from '@jeitinho/core/bench';
import { useEffect, useRef } from 'react';
import { useDraft } from '../../data/draft';
import { useMeterFeed } from '../../data/meter/feed';
import { Button } from '../../parts/button';
import { Keypad } from '../../parts/keypad';
import { useStale } from '../../parts/meter/meter-digits';
import { MeterStrip } from '../../parts/meter/meter-strip';
import { useJob } from '../job/job-context';

/** Leads that show more than this are broken, or not touching. */
const MOST_OHMS = 10;

export function LeadZeroCard({ onDone }: { onDone: () => void }) {
  const { job, state, record } = useJob();
  const [text, setText] = useDraft(`lead.${job.id}`);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus();
  }, []);
  const parsed = parseEntry(text, 'ohm');
  const live = useLiveOhms(job.id);
  const value = text === '' ? live?.value : parsed.kind === 'value' ? parsed.value : undefined;
  const open =
    text === '' ? live !== undefined && live.value === undefined : parsed.kind === 'overload';
  const problem =
    parsed.kind === 'error'
      ? parsed.message
      : open || (value !== undefined && (value < 0 || value > MOST_OHMS))
        ? 'Good leads show less than an ohm or so. Press the tips together harder, or change the leads.'
        : undefined;
  const keep = async () => {
    if (value === undefined || problem) return;
    const half = (state.meter && accuracyAt(state.meter, 'ohm', value)?.absolute) ?? 0;
    if (await record('lead', { value, half: Math.min(1, half) })) {
      setText('');
      onDone();
    }
  };
  return (
    <div data-keys="off" className="max-w-xl border border-ink bg-card p-5">
      <h2 className="m-0 text-[20px] font-bold">Zero the leads</h2>
      <p className="m-0 mt-1">
        Meter on ohms. Press red and black together{live ? '.' : ' and type what it shows.'}
      </p>
      <label className="mt-3 flex items-end gap-3 border-b-4 border-ink focus-within:border-jade">
        <span className="sr-only">Leads shorted together, ohms</span>
        <input
          ref={field}
          inputMode="none"
          autoComplete="off"
          value={text}
          maxLength={24}
          placeholder={
            live ? (live.value === undefined ? 'OL' : splitQuantity(live.value, 'ohm').digits) : ''
          }
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') void keep();
            if (event.key === 'Escape') onDone();
          }}
          className="reading-field figure block h-[76px] min-w-0 flex-1 border-0 bg-transparent text-[56px] text-ink placeholder:text-jade placeholder:opacity-100"
        />
        <span className="figure pb-3 text-[28px] text-soft">Ω</span>
      </label>
      <p role="status" className="m-0 mt-1 min-h-6 text-brick">
        {problem}
      </p>
      <MeterStrip
        job={job.id}
        bench={job.bench}
        wanted={TOGETHER}
        touch="Press the tips together"
        holding={false}
        quiet
      />
      <div className="mt-2 flex gap-2 max-lg:hidden">
        <Button
          kind="go"
          hint="Enter"
          onClick={() => void keep()}
          disabled={value === undefined || problem !== undefined}
        >
          {value === undefined
            ? 'Subtract it from now on'
            : `Subtract ${formatQuantity(value, 'ohm')} from now on`}
        </Button>
        <Button kind="quiet" onClick={onDone}>
          Not now
        </Button>
      </div>
      <Keypad
        text={text}
        onText={setText}
        onKeep={() => void keep()}
        keep="Keep"
        canKeep={value !== undefined && !problem}
      />
      <Button kind="quiet" className="lg:hidden" onClick={onDone}>
        Not now
      </Button>
    </div>
  );
}

const TOGETHER: Placement = { function: 'ohm', red: LEADS_TOGETHER };

/** What the connected meter shows of its leads; no value where it shows OL, undefined without a fresh figure. */
function useLiveOhms(job: string): { readonly value: number | undefined } | undefined {
  const { status, kind, job: own, line, leads } = useMeterFeed();
  const stale = useStale();
  const ours = kind !== 'simulated' || (own === job && leads?.red === LEADS_TOGETHER);
  if (status !== 'on' || stale || !ours || !line || !sameFunction(line.fn, 'ohm')) return undefined;
  return { value: spoiledBy(line) ? undefined : (line.value ?? undefined) };
}
