/** The foot of the measuring card: what comes next and why, keep, skip, undo; the keypad on a phone. */
import {
  canWithdraw,
  energises,
  shortsOf,
  stepsOf,
  type JobState,
  type Refusal,
  type Step,
} from '@jeitinho/core/job';
import { isMeasured, placementWords, type Sheet, wantsOf } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { isConnected, useMeterFeed } from '../../data/meter/feed';
import { ActionBar } from '../../parts/action-bar';
import { Button } from '../../parts/button';
import { Keypad } from '../../parts/keypad';
import { useJob } from '../job/job-context';
import { useSmallScreen } from '../../parts/small-screen';
import type { CurrentStep } from './current-step';
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
  const { job, sheet, state } = useJob();
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
  const next = nextWords(sheet, state, current);
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

/** The next placement in words, and why that one. */
function nextWords(
  sheet: Sheet,
  state: JobState,
  { step, next }: CurrentStep,
): { title: string; why: string } {
  if (!next || next.observable === step.observable)
    return next
      ? { title: 'This one first', why: 'the rest of the sheet is done or skipped' }
      : atRest(sheet, state);
  return { title: `Next: ${stepWords(sheet, step, next)}`, why: whyNext(sheet, state, step, next) };
}

/** Nothing more is suggested: all is taken, or what is left would feed a short. */
function atRest(sheet: Sheet, state: JobState): { title: string; why: string } {
  const shorts = shortsOf(sheet, state);
  const held = stepsOf(sheet).some(
    (step) =>
      !state.current.has(step.observable) &&
      !state.skipped.has(step.observable) &&
      energises(sheet, shorts, step.test),
  );
  return held
    ? {
        title: 'Live tests wait: something reads shorted',
        why: 'energising it would make it worse; decide, or mend it first',
      }
    : { title: 'Every test is taken or skipped', why: 'time to decide' };
}

function stepWords(sheet: Sheet, step: Step, next: Step): string {
  if (next.test !== step.test) return next.test.title;
  const point = isMeasured(next.test) && next.test.points.find((each) => each.id === next.point);
  return point
    ? `same test, ${placementWords(sheet, point).replace(/^./, (first) => first.toLowerCase())}`
    : next.test.title;
}

function whyNext(sheet: Sheet, state: JobState, step: Step, next: Step): string {
  if (next.test === step.test) return 'the rest of this test';
  const { energy: wanted, state: inState } = wantsOf(sheet, next.test);
  if (wanted === 'any' && (inState.energy === 'dead' || state.energy.kind === 'live'))
    return 'it can be done as the machine stands';
  const suits = wanted === 'dead' ? state.energy.kind === 'dead' : state.energy.kind === 'live';
  return suits
    ? 'the sheet’s order; the unit is in the right state'
    : wanted === 'live'
      ? 'the dead tests are done; this one needs the unit live'
      : 'this one needs the unit proven dead';
}
