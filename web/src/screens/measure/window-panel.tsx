/** Entering a live state: a call, a test mode with its time and beat, attempts that are counted and purged. */
import { beatAt, purgeUntil, type Spell } from '@jeitinho/core/job';
import { stateName, type SheetState } from '@jeitinho/core/sheet';
import { useEffect, useRef } from 'react';
import { beep, readySound } from '../../data/alarm';
import { countdown, useNow } from '../../data/now';
import { say } from '../../data/speech';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { useJob } from '../job/job-context';
import { NeedsPanel } from './needs-panel';
import type { Entering } from './use-entering';

/** Whether a state ends by itself, or counts attempts: it is entered again and again. */
export const isTimed = (state: SheetState) =>
  state.lasts !== undefined || state.steps !== undefined || state.attempts !== undefined;

export interface WindowPanelProps {
  readonly state: SheetState;
  /** Whether the machine is in it now. */
  readonly current: boolean;
  readonly entering: Entering;
}

export function WindowPanel({ state, current, entering }: WindowPanelProps) {
  const { state: job, record } = useJob();
  const now = useNow(250);
  const spell = job.spells.get(state.id);
  const attempts = job.attempts.get(state.id);
  const purge = purgeUntil(state, attempts);
  const begin = () => {
    readySound();
    entering.enter();
  };
  const running = spell?.endsAt !== undefined && now < spell.endsAt;
  const purged = () => void record('purged', { state: state.id });
  useKeys(
    { w: () => (purge === undefined ? begin() : now >= purge && purged()) },
    { whileTyping: false },
  );
  return (
    <section
      aria-label={stateName(state)}
      className={`mb-3 border-l-4 px-4 py-2 ${running ? 'border-jade bg-jade-tint' : 'border-hair bg-card'}`}
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {spell && running ? (
          <Running state={state} spell={spell} now={now} />
        ) : (
          <p className="m-0 min-w-0 flex-1 text-[15px]">
            <strong>{stateName(state)}</strong>
            {state.lasts !== undefined && `, ${state.lasts} s at a time`}
            {!current && !isTimed(state) && ' is not entered yet'}
            {spell?.endsAt !== undefined && ' · it has ended'}
            {state.enter && <span className="block text-soft">{state.enter.join(' ')}</span>}
          </p>
        )}
        {state.attempts && (
          <p className="m-0 text-[15px]">
            attempts{' '}
            <strong className="figure text-[20px]">
              {attempts?.count ?? 0} of {state.attempts.most}
            </strong>
          </p>
        )}
        {purge === undefined && (
          <Button
            hint="w"
            onClick={(event) => {
              // The next key belongs to the card again.
              event.currentTarget.blur();
              begin();
            }}
          >
            {isTimed(state) ? (running ? 'Begun again' : 'Begun now') : 'It is so now'}
          </Button>
        )}
      </div>
      <NeedsPanel state={state} entering={entering} />
      {purge !== undefined && (
        <div className="mt-2 border-l-4 border-brick bg-brick-tint px-3 py-2">
          {/* The countdown stays out of the alert: it would be read out every second. */}
          <p role="alert" className="m-0">
            <strong>No further attempt before the purge.</strong> {state.attempts?.say}
          </p>
          <div className="mt-1 flex items-center gap-3">
            <span role="timer" aria-label="Purge still to run" className="figure text-[24px]">
              {countdown(purge - now)}
            </span>
            <Button hint="w" disabled={now < purge} onClick={purged}>
              Purged
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}

function Running({ state, spell, now }: { state: SheetState; spell: Spell; now: number }) {
  const beat = beatAt(state, spell, now);
  const step = beat?.step;
  const name = beat?.name;
  const last = useRef(step);
  useEffect(() => {
    if (step === undefined || step === last.current) return;
    if (last.current !== undefined) {
      beep(1, 1400);
      say(name ?? `Step ${step}`);
    }
    last.current = step;
  }, [step, name]);
  return (
    <p className="m-0 flex flex-1 flex-wrap items-baseline gap-x-4">
      <span
        role="timer"
        aria-label={`${stateName(state)} still runs`}
        className="figure text-[32px]"
      >
        {countdown(spell.endsAt! - now)}
      </span>
      <span className="text-[15px]">
        <strong>{stateName(state)}</strong> runs. Measure now.
      </span>
      {beat && (
        <span className="text-[15px]">
          step{' '}
          <strong className="figure text-[20px]">
            {beat.step} of {beat.of}
          </strong>
          {beat.name && <strong> {beat.name}</strong>}, next in{' '}
          <span className="figure">{Math.ceil(beat.nextIn)} s</span>
        </span>
      )}
    </p>
  );
}
