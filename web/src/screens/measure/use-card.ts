/** The measuring card put together: the placement in hand, its meter, what Enter and the keys do. */
import { isStale, nextStep, placeOfEntry, spoils } from '@jeitinho/core/job';
import { observableId } from '@jeitinho/core/sheet';
import { useReducer } from 'react';
import { useNavigate } from 'react-router';
import { useDraft } from '../../data/draft';
import { useArmed } from '../../parts/armed';
import { useKeys } from '../../parts/keys';
import { useJob } from '../job/job-context';
import { stagePath, useGoOn } from '../job/paths';
import {
  AT_REST,
  cardReducer,
  keysAt,
  owesContact,
  primaryAct,
  type CardKey,
  type CardSituation,
  type Over,
} from './card-state';
import { useCurrentStep } from './current-step';
import type { Remark } from './remark-dialogs';
import { asksForLive } from './state-gate';
import { toldBefore } from './told';
import type { Entering } from './use-entering';
import { useGoOnByItself } from './use-go-on-by-itself';
import { useKeeping } from './use-keeping';
import { useMeter } from './use-meter';
import { usePlacement } from './use-placement';

export function useCard() {
  const { job, sheet, state } = useJob();
  const current = useCurrentStep();
  const { step, next, previous, goTo } = current;
  const [{ over, repeating }, dispatch] = useReducer(cardReducer, AT_REST);
  const [second, setSecond] = useDraft(`second.${job.id}`);
  const open = (what: Over) => dispatch({ kind: 'open', over: what });
  const kept = () => dispatch({ kind: 'kept' });

  const placement = usePlacement(current);
  const { measured, point, figures, reading, refusal, asked, wants, other, entering, powering } =
    placement;
  const wanted = wants.find((want) => want.kind === 'state');
  const { specimen } = other;
  const taken = state.current.get(step.observable);
  const empty = reading.text === '';
  // A figure of the machine before the work is asked for again.
  const before = taken && isStale(state, taken) ? taken : undefined;
  const settled = taken !== undefined && !before && repeating !== step.observable;
  // What the answer speaks of: this placement once it is read, until then the one before it.
  const told = settled
    ? taken
    : measured && point && empty
      ? toldBefore(state, measured, point)
      : undefined;

  const leaveMeasuring = useGoOn('measure');
  const goOn = () => (next ? goTo(next.observable) : leaveMeasuring());
  const spoiled = wants.some(spoils);
  const { keep, sizing } = useKeeping({
    current,
    test: measured,
    point,
    reading,
    // A figure of something else stays here as well: it is told beside the card.
    spoiled: specimen !== undefined || spoiled,
    onKept: kept,
  });
  const closed =
    refusal !== undefined ||
    asked !== undefined ||
    !empty ||
    settled ||
    over.kind !== 'nothing' ||
    // What would mean nothing is not held by itself.
    spoiled;
  const meter = useMeter(
    step.observable,
    figures && {
      ...figures,
      closed,
      onKept: () => {
        kept();
        goTo((current.nextPoint ?? step).observable);
      },
    },
  );
  const offered = empty && !settled && !refusal && !asked ? meter.offered : undefined;
  useGoOnByItself(
    settled && empty && over.kind === 'nothing' && !owesContact(told),
    step.observable,
    goOn,
  );
  const armed = useArmed(`${step.observable} ${refusal?.code}`);
  const attended = !sheet.safety.secondPerson || second.trim() !== '';
  const counts = settled && taken.standing.kind === 'counts';
  const situation = {
    over,
    refusal,
    asksForLive: refusal !== undefined && asksForLive(refusal),
    ready: armed && attended && powering.ready,
    // One press sets the machine’s record right, and the figure is asked again.
    enters:
      specimen === undefined &&
      wanted !== undefined &&
      !wanted.met &&
      !counts &&
      !state.skipped.has(step.observable),
    empty,
    owesGiven: asked !== undefined,
    offered,
    done: settled || state.skipped.has(step.observable),
    takesFigures: figures !== undefined && !refusal,
    ohms: measured?.function === 'ohm',
    hasPrevious: previous !== undefined,
    told,
  };

  const enterState = () => {
    entering.enter();
    if (settled) dispatch({ kind: 'repeat', observable: step.observable });
  };
  const primary = usePrimary(
    situation,
    { ...powering, second: second.trim() },
    {
      'choose-meter': () => open({ kind: 'meters' }),
      'enter-state': enterState,
      'keep-typed': () => void keep(),
      'keep-offered': () => offered && void meter.keep(offered),
      'go-on': goOn,
    },
  );
  const repeat = (observable: string) => {
    goTo(observable);
    dispatch({ kind: 'repeat', observable });
  };
  const remarkOn = (remark: Remark) => told && open({ kind: 'remark', remark, taken: told });
  const undo = useUndo(current);
  const acts: Readonly<Record<CardKey, () => void>> = {
    s: () => open({ kind: 'skip' }),
    b: () => previous && goTo(previous.observable),
    r: () => told && repeat(told.observable),
    n: goOn,
    z: undo,
    c: () => remarkOn('contact'),
    j: () => remarkOn('overrule'),
    v: () => remarkOn('void'),
    g: () => open({ kind: 'paste', text: '' }),
    l: () => open({ kind: 'zero' }),
    o: () => reading.setText('OL'),
  };
  const keys = [...keysAt(situation)].map((key) => [key, acts[key]] as const);
  useKeys(Object.fromEntries(over.kind === 'zero' ? keys : [['Enter', primary] as const, ...keys]));

  return {
    ...situation,
    ...placement,
    current,
    before,
    settled,
    sizing,
    meter,
    second,
    setSecond,
    open,
    close: () => dispatch({ kind: 'closed' }),
    kept,
    primary,
    repeat,
    undo,
    remarkOn,
  };
}

export type Card = ReturnType<typeof useCard>;

type OwnAct = 'choose-meter' | 'enter-state' | 'keep-typed' | 'keep-offered' | 'go-on';

/** What Enter does: the way to another stage and live work are the same on every card. */
function usePrimary(
  situation: CardSituation,
  powering: Entering & { readonly second: string },
  own: Readonly<Record<OwnAct, () => void>>,
): () => void {
  const { job, sheet, record } = useJob();
  const navigate = useNavigate();
  return () => {
    const act = primaryAct(situation);
    if (act === 'make-safe') void navigate(stagePath(job.id, 'safe'));
    else if (act === 'confirm-live')
      void record('energised', {
        precautions: true,
        ...(sheet.safety.secondPerson && { second: powering.second }),
        ...(powering.unmet && { despite: powering.despite.trim() }),
      });
    else if (act !== 'nothing') own[act]();
  };
}

/** Takes the last entry back and leads to its place: it will want another figure. */
function useUndo({ steps, goTo }: Card['current']): () => void {
  const { sheet, undo } = useJob();
  const undoHere = async () => {
    const gone = await undo();
    const from = gone && placeOfEntry(gone, sheet);
    const place = steps.find(
      (each) => each.observable === from?.observable || each.test.id === from?.test,
    );
    if (place) goTo(place.observable);
  };
  return () => void undoHere();
}

/** A test that was not begun is skipped whole, a begun one point by point. */
export function useSkipping({ current, measured, close }: Card) {
  const { sheet, state, record } = useJob();
  const { step, goTo } = current;
  const { test } = step;
  const begun =
    measured?.points.some((each) => state.current.has(observableId(measured, each.id))) ?? false;
  const point = begun ? step.point : undefined;
  return {
    title: point === undefined ? test.title : `${test.title}, ${point}`,
    skip: async (reason: string) => {
      close();
      const kept = await record('skipped', {
        test: test.id,
        reason,
        ...(point !== undefined && { point }),
      });
      const beyond = nextStep(sheet, state, step.observable, { leaveTest: !begun });
      if (kept && beyond) goTo(beyond.observable);
    },
  };
}
