/** The foot of the measuring card: what comes next and why, keep, skip, undo; the keypad on a phone. */
import { canWithdraw, type Refusal } from '@jeitinho/core/job';
import { useState } from 'react';
import { isConnected, useMeterFeed } from '../../data/meter/feed';
import { ActionBar } from '../../parts/action-bar';
import { Button } from '../../parts/button';
import { Keypad } from '../../parts/keypad';
import { useJob } from '../job/job-context';
import { useSmallScreen } from '../../parts/small-screen';
import type { CurrentStep } from './current-step';
import { useNextWords } from './next-words';
import { PhotoButton } from './photo-button';
import { PlanButton } from './plan';
import { asksForLive } from './state-gate';
import type { ReadingEntry } from './use-reading';

export interface FootBarProps {
  readonly current: CurrentStep;
  /** Undefined where nothing is typed: questions, and tests that are refused now. */
  readonly reading: ReadingEntry | undefined;
  /** What Enter keeps off the connected meter: “Keep 7.22 Ω”. */
  readonly offered: string | undefined;
  readonly refusal: Refusal | undefined;
  /** Whether a press may begin live work yet. */
  readonly armed: boolean;
  readonly settled: boolean;
  /** Enter enters the live state that is wanted. */
  readonly enters: boolean;
  /** What the button says while there is nothing to keep: “Choose an answer”. */
  readonly idle: string;
  readonly onPrimary: () => void;
  readonly onSkip: () => void;
  readonly onUndo: () => void;
  /** Present while the finding in hand waits for its proof of contact. */
  readonly onContact: (() => void) | undefined;
}

export function FootBar(props: FootBarProps) {
  const { current, reading, refusal, armed, settled, onPrimary, onSkip, onUndo, onContact } = props;
  const { job, state } = useJob();
  const typing = reading !== undefined && reading.text !== '';
  const primary = primaryWords(props);
  const gated = refusal && asksForLive(refusal);
  const stuck = refusal && !gated && !(refusal.code in WAY_OUT);
  const enabled = refusal
    ? !stuck && (!gated || armed)
    : typing
      ? reading.ready
      : settled || props.enters || props.offered !== undefined;
  const kind = gated ? 'danger' : 'go';
  const canUndo = state.log.some(canWithdraw);
  const side = (
    <>
      {current.previous && (
        <Button kind="quiet" hint="b" onClick={() => current.goTo(current.previous!.observable)}>
          Back
        </Button>
      )}
      {canUndo && (
        <Button kind="quiet" hint="z" onClick={onUndo}>
          Undo
        </Button>
      )}
      {!settled && (
        <Button kind="quiet" hint="s" onClick={onSkip}>
          Skip
        </Button>
      )}
    </>
  );
  const small = useSmallScreen();
  const connected = isConnected(useMeterFeed(), job.id);
  const [byHand, setByHand] = useState(false);
  const next = useNextWords(current);
  return (
    <>
      <div className="max-lg:hidden">
        <ActionBar title={next.title} detail={next.why}>
          {side}
          <Button kind={kind} hint="Enter" onClick={onPrimary} disabled={!enabled}>
            {primary}
          </Button>
        </ActionBar>
      </div>
      <div className="no-print border-t border-hair px-3.5 pb-2 lg:hidden">
        <div className="flex items-center justify-between gap-1 py-1">
          <PlanButton current={current} />
          {onContact ? (
            <Button className="border-marigold bg-marigold-tint px-2" onClick={onContact}>
              Contact?
            </Button>
          ) : (
            small && <PhotoButton step={current.step} />
          )}
          {side}
        </div>
        {reading && connected && !byHand && reading.text === '' ? (
          // The meter types: the keypad folds away, and the card has its room.
          <div className="flex gap-2">
            <Button className="px-3" onClick={() => setByHand(true)}>
              Type it
            </Button>
            <Button
              kind={kind}
              className="flex-1 text-[18px]"
              onClick={onPrimary}
              disabled={!enabled}
            >
              {primary}
            </Button>
          </div>
        ) : reading ? (
          <Keypad
            text={reading.text}
            onText={reading.setText}
            onKeep={onPrimary}
            keep={typing || settled || props.enters || props.offered ? primary : 'Keep'}
            canKeep={enabled}
          />
        ) : (
          // Where nothing can be pressed yet, the card has the room.
          (enabled || refusal) && (
            <Button kind={kind} className="w-full" onClick={onPrimary} disabled={!enabled}>
              {primary}
            </Button>
          )
        )}
      </div>
    </>
  );
}

/** Refusals that one press leads out of. */
const WAY_OUT: Readonly<Partial<Record<Refusal['code'], string>>> = {
  'dead-not-proven': 'To Make safe',
  'meter-unfit': 'Take another meter',
};

/** Refusals that something else on the card leads out of. */
const NO_WAY_OUT: Readonly<Partial<Record<Refusal['code'], string>>> = {
  'variant-owed': 'Say which it is',
  'licence-missing': 'Say who holds it',
  'store-charged': 'Drain it first',
};

function primaryWords(props: FootBarProps): string {
  const { current, reading, offered, refusal, settled, idle, enters } = props;
  if (refusal && refusal.code in WAY_OUT) return WAY_OUT[refusal.code]!;
  if (refusal && !asksForLive(refusal)) return NO_WAY_OUT[refusal.code] ?? 'Unplug it first';
  if (refusal)
    return refusal.code === 'not-live'
      ? 'Precautions taken: unit is live'
      : 'Precautions taken: work live';
  if (reading && reading.text !== '')
    return reading.parsed.kind !== 'not-taken' && 'echo' in reading.parsed
      ? `Keep ${reading.parsed.echo}`
      : 'Keep';
  if (enters) return settled ? 'Entered now: take it again' : 'Entered now';
  if (!settled && offered) return offered;
  if (!settled) return reading ? 'Type the reading' : idle;
  return current.next ? 'Go on' : 'To Decide';
}
