/** Make safe: isolate, then every pair in order, between two proofs of the meter on a known source. */
import {
  findPair,
  formatQuantity,
  nextSafe,
  pairsOf,
  type Energy,
  type NextSafe,
  type Pair,
} from '@jeitinho/core';
import { knownSource } from '@jeitinho/core/bench';
import { accessOwedFor } from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { clockTime, countdown, useNow } from '../../data/now';
import { ActionBar } from '../../parts/action-bar';
import { useArmed } from '../../parts/armed';
import { Button } from '../../parts/button';
import { Keypad } from '../../parts/keypad';
import { useKeys } from '../../parts/keys';
import { useSmallScreen } from '../../parts/small-screen';
import { useJob } from '../job/job-context';
import { IsolateCard } from './isolate-card';
import { MeterCard, useSource } from './meter-card';
import { PairCard } from './pair-card';
import { rowInHand, safeRows } from './safe-steps';
import { StepList } from './step-list';
import { StopButton } from './stop-dialog';
import { useVoltsEntry } from './volts-entry';
import { useGoOn } from '../job/paths';

export function MakeSafe() {
  const { sheet, state } = useJob();
  const now = useNow(1000);
  const [chosen, choose] = useState<{ pair: string; after: number }>();
  const entries = state.log.length;
  // A pair chosen out of turn stays in hand until something is written down.
  const picked = chosen?.after === entries ? findPair(sheet, chosen.pair) : undefined;
  const due = nextSafe(sheet, state.energy, now);
  const next: NextSafe = picked && state.energy.isolated ? { kind: 'pair', pair: picked } : due;
  const rows = safeRows(sheet, state.energy, now);
  return (
    <InHand
      key={stepKey(next)}
      next={next}
      onInOrder={picked && picked.id !== pairInHand(due)?.id ? () => choose(undefined) : undefined}
      list={
        <StepList
          rows={rows}
          inHand={picked ? picked.id : rowInHand(rows, next)}
          isolatedAt={state.energy.isolatedAt}
          onPair={(pair) => choose({ pair, after: entries })}
        />
      }
    />
  );
}

const pairInHand = (next: NextSafe): Pair | undefined =>
  next.kind === 'pair' || next.kind === 'wait' ? next.pair : undefined;

/** A step that begins anew gets a field of its own; waiting for a pair and measuring it are one. */
const stepKey = (next: NextSafe): string =>
  next.kind === 'pair' || next.kind === 'wait'
    ? `pair ${next.pair.id}`
    : next.kind === 'meter'
      ? `meter ${next.function} ${next.again}`
      : next.kind;

interface InHandProps {
  readonly next: NextSafe;
  readonly list: ReactNode;
  /** Back to the step that is due, where a pair was chosen out of turn. */
  readonly onInOrder: (() => void) | undefined;
}

function InHand({ next, list, onInOrder }: InHandProps) {
  const { job, sheet, state, record } = useJob();
  const goOn = useGoOn('safe');
  const pair = pairInHand(next);
  const fn = pair?.function ?? (next.kind === 'meter' ? next.function : 'V~');
  const source = useSource(fn);
  const place = knownSource(source.source.kind);
  const entry = useVoltsEntry(
    job.id,
    `volts.${job.id}.${stepKey(next)}`,
    fn,
    pair
      ? { function: fn, red: pair.from, black: pair.to }
      : { function: fn, red: place, black: place },
  );
  const armed = useArmed(`safe ${stepKey(next)} ${state.log.length}`);
  const small = useSmallScreen();
  const measuring = pair !== undefined || next.kind === 'meter';
  const covered = pair !== undefined && accessOwedFor(sheet, state, pair.access).length > 0;
  const ready =
    next.kind === 'done' ||
    (next.kind === 'isolate'
      ? armed
      : // A live figure is always there: a press must not run on. What was typed was meant.
        measuring && !covered && entry.reading !== undefined && (armed || !entry.connected));
  const act = () => {
    if (!ready) return;
    if (next.kind === 'done') goOn();
    else if (next.kind === 'isolate') void record('safed', { step: 'isolated' });
    else void keep();
  };
  const keep = async () => {
    const { reading } = entry;
    if (!reading) return;
    const taken = { function: fn, reading, ...entry.origin };
    const kept = pair
      ? await record('safed', { step: 'pair', pair: pair.id, ...taken })
      : await record('safed', { step: 'meter', source: plainSource(source.source), ...taken });
    if (kept) entry.setText('');
  };
  useKeys({ Enter: act });
  const keypad = small && measuring && !covered && !entry.connected;
  const label = labelOf(next, entry.shown);
  const ways = (
    <>
      {onInOrder && (
        <Button kind="quiet" onClick={onInOrder}>
          Back in order
        </Button>
      )}
      {next.kind !== 'done' && <StopButton />}
    </>
  );
  return (
    <>
      <div className="grid min-h-0 flex-1 overflow-y-auto lg:grid-cols-[minmax(250px,320px)_minmax(0,1fr)]">
        <div className="border-r border-hair px-4 py-4 max-lg:hidden">
          <Heading next={next} sheet={sheet} energy={state.energy} />
          {list}
        </div>
        <div className="min-w-0 px-6 py-5 max-lg:px-4 max-lg:py-2">
          <details className="border-b border-hair lg:hidden">
            <summary className="flex min-h-11 cursor-pointer items-center justify-between gap-3 text-[15px]">
              <h1 className="m-0 text-[15px] font-semibold">{headingOf(next)}</h1>
              <span className="text-soft">all steps ▾</span>
            </summary>
            {list}
          </details>
          <div className="max-lg:mt-2">
            {next.kind === 'isolate' && <IsolateCard />}
            {next.kind === 'meter' && (
              <MeterCard fn={next.function} again={next.again} chosen={source} entry={entry} />
            )}
            {pair && <PairCard pair={pair} entry={entry} />}
            {next.kind === 'sheet' && <CannotProve message={next.message} />}
            {next.kind === 'done' && <Done energy={state.energy} sheet={sheet} />}
            {/* The keypad takes the place of the foot, where these stand otherwise. */}
            {keypad && <div className="mt-2 flex gap-2">{ways}</div>}
          </div>
        </div>
      </div>
      {keypad && (
        <div className="border-t border-hair px-3.5 py-2">
          <Keypad
            text={entry.text}
            onText={entry.setText}
            onKeep={act}
            keep={entry.reading ? label : 'Keep'}
            canKeep={ready}
          />
        </div>
      )}
      {!keypad && (
        <ActionBar title={footTitle(next)} detail={<FootLine energy={state.energy} next={next} />}>
          {ways}
          {next.kind !== 'sheet' && (
            <Button kind="go" hint="Enter" onClick={act} disabled={!ready}>
              {label}
            </Button>
          )}
        </ActionBar>
      )}
    </>
  );
}

/** A proving unit without its mark is told as such by the rule, not left out in silence. */
const plainSource = ({ kind, volts }: ReturnType<typeof useSource>['source']) => ({
  kind,
  ...(volts !== undefined && { volts }),
});

function Heading({ next, sheet, energy }: { next: NextSafe; sheet: Sheet; energy: Energy }) {
  return (
    <>
      <h1 className="m-0 text-[22px] leading-tight font-bold">{headingOf(next)}</h1>
      <p className="m-0 mb-3 text-[14px] text-soft">
        <Progress sheet={sheet} energy={energy} next={next} />
      </p>
    </>
  );
}

const headingOf = (next: NextSafe): string =>
  next.kind === 'done' ? 'Dead, and proven' : 'Prove it dead, pair by pair';

function Progress({ sheet, energy, next }: { sheet: Sheet; energy: Energy; next: NextSafe }) {
  const pairs = pairsOf(sheet).length;
  if (next.kind === 'done') return <>every pair proven {clockTime(energy.since!)}</>;
  const at = energy.isolated ? `isolated ${clockTime(energy.isolated.at)}; ` : '';
  return (
    <span>
      {at}
      {energy.proven.size} of {pairs} {pairs === 1 ? 'pair' : 'pairs'} proven. Time alone is no
      proof.
    </span>
  );
}

function labelOf(next: NextSafe, shown: string | undefined): string {
  switch (next.kind) {
    case 'isolate':
      return 'Isolated and locked';
    case 'done':
      return 'Go on to Measure';
    case 'sheet':
      return '';
    default:
      return shown ? `Keep ${shown}` : 'Keep the figure';
  }
}

function footTitle(next: NextSafe): string {
  switch (next.kind) {
    case 'isolate':
      return 'Isolate first';
    case 'meter':
      return next.again ? 'Prove the meter again' : 'Prove the meter';
    case 'wait':
      return `Wait, then measure ${next.pair.name}`;
    case 'pair':
      return `Measure ${next.pair.name}`;
    case 'sheet':
      return 'This sheet cannot prove it dead';
    case 'done':
      return 'Next: Measure';
    default:
      next satisfies never;
      return '';
  }
}

function FootLine({ energy, next }: { energy: Energy; next: NextSafe }) {
  const now = useNow();
  if (next.kind === 'wait') return <>wait {countdown(next.until - now)} more</>;
  if (next.kind === 'meter' && next.again) return <>within ten minutes of its first proof</>;
  return energy.isolated ? <>isolated {clockTime(energy.isolated.at)}</> : null;
}

/** A sheet from before its pairs were listed, or with one forgotten. */
function CannotProve({ message }: { message: string }) {
  const { job } = useJob();
  return (
    <section role="alert" className="border-l-4 border-brick bg-brick-tint px-4 py-3">
      <h2 className="m-0 text-[22px] font-bold">This sheet cannot prove it dead</h2>
      <p className="m-0 mt-1 text-[17px]">{message}</p>
      <p className="m-0 mt-2">
        Live work, looks and codes go on as before. No ohms, no hand and no part until then.
      </p>
      {job.sheet && (
        <p className="m-0 mt-2">
          <Link
            className="inline-flex min-h-11 items-center font-semibold text-ink"
            to={`/sheets/${encodeURIComponent(job.sheet.id)}`}
          >
            Open the sheet
          </Link>
        </p>
      )}
    </section>
  );
}

/** All pairs with their figures, for the one who reads over the shoulder. */
function Done({ energy, sheet }: { energy: Energy; sheet: Sheet }) {
  return (
    <>
      <h2 className="m-0 text-[25px] font-bold max-lg:text-[20px]">
        Dead, and proven at {clockTime(energy.since!)}
      </h2>
      <p className="m-0 mt-1">
        Ohms, hands and parts may go in. Tick every plug as it comes out: at the end they are asked
        for.
      </p>
      <p className="m-0 mt-1 text-soft">
        If a figure comes back above its limit, all of this starts again.
      </p>
      <table className="mt-3 w-full max-w-xl border-collapse text-left lg:hidden">
        <caption className="sr-only">Every pair, with the figure that proved it</caption>
        <tbody>
          {pairsOf(sheet).map((pair) => (
            <ProvenRow key={pair.id} pair={pair} energy={energy} />
          ))}
        </tbody>
      </table>
    </>
  );
}

function ProvenRow({ pair, energy }: { pair: Pair; energy: Energy }) {
  const reading = energy.proven.get(pair.id)?.reading;
  return (
    <tr className="border-b border-hair">
      <th scope="row" className="py-1.5 pr-3 font-semibold">
        ✓ {pair.name}
      </th>
      <td className="figure py-1.5 pr-3 text-[18px] text-jade">
        {reading?.kind === 'value' ? formatQuantity(Math.abs(reading.value), 'V') : 'OL'}
      </td>
      <td className="py-1.5 text-[14px] text-soft">
        {pair.function}, dead below {formatQuantity(pair.deadBelow, 'V')}
      </td>
    </tr>
  );
}
