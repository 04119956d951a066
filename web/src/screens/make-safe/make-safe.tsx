/** Make safe: isolate, prove the meter, wait, measure the bus, prove the meter again. */
import { formatQuantity, KNOWN_SOURCE, locate, type Energy, type Sheet } from '@jeitinho/core';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { clockTime, countdown, useNow } from '../../data/now';
import { ActionBar } from '../../parts/action-bar';
import { useArmed } from '../../parts/armed';
import { Button } from '../../parts/button';
import { Keypad } from '../../parts/keypad';
import { useKeys } from '../../parts/keys';
import { useSmallScreen } from '../../parts/small-screen';
import { MeterStrip } from '../../parts/meter/meter-strip';
import { useJob } from '../job/job-context';
import { BusStep, useBusEntry } from './bus-step';
import { LicenceAsk } from './licence-ask';
import { StopButton } from './stop-dialog';
import { Stores } from './stores';

/** Index of the step in hand; 4 once all are done. */
function stepInHand(energy: Energy): number {
  return { isolate: 0, 'prove-meter': 1, bus: 2, 'reprove-meter': 3, done: 4 }[energy.next];
}

export function MakeSafe() {
  const { job, sheet, state, record } = useJob();
  const navigate = useNavigate();
  const { energy } = state;
  const inHand = stepInHand(energy);
  const bus = useBusEntry();
  const goOn = () => void navigate(`/jobs/${job.id}/measure`);
  const acts: readonly (() => void)[] = [
    () => void record('safed', { step: 'isolated' }),
    () => void record('safed', { step: 'meter-proved' }),
    () => void bus.keep(),
    () => void record('safed', { step: 'meter-reproved' }),
    goOn,
  ];
  const act = acts[inHand]!;
  const armed = useArmed(`safe ${inHand}`);
  // One button in the page, wherever it stands: its key must not open two dialogs.
  const onKeypad = useSmallScreen() && inHand === 2;
  const ready = inHand === 4 || (armed && (inHand !== 2 || bus.ready));
  useKeys({ Enter: () => ready && act() });
  const labels = [
    'Isolated and locked',
    'Meter proven',
    bus.label,
    'Meter proven again',
    'Go on to Measure',
  ];
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
        <h1
          className={`m-0 text-[25px] font-bold max-lg:text-[20px] ${inHand === 2 ? 'max-lg:sr-only' : ''}`}
        >
          {inHand === 4 ? 'Dead, and proven' : 'Make it safe to touch'}
        </h1>
        <Cautions sheet={sheet} open={inHand === 0} />
        <ol className="m-0 mt-4 list-none p-0 max-lg:mt-2">
          <Step
            n={0}
            inHand={inHand}
            title="Isolate and lock"
            done={energy.isolatedAt && `at ${clockTime(energy.isolatedAt)}`}
          >
            Plug out or breaker off, locked or in your sight. {busName(sheet)} stays charged: do not
            touch anything yet.
            <Stores />
            <LicenceAsk />
          </Step>
          <Step n={1} inHand={inHand} title="Prove the meter" done="on a known source">
            Touch the leads to {sheet.safety.knownSource ?? 'a source you know is live'}. A dead
            meter shows a dead bus.
            <KnownSource />
          </Step>
          <Step
            n={2}
            inHand={inHand}
            title="Wait, then measure the bus"
            done={energy.bus && busWords(energy)}
          >
            <BusStep entry={bus} />
            {onKeypad && <StopButton />}
          </Step>
          <Step
            n={3}
            inHand={inHand}
            title="Prove the meter again"
            done={energy.since && `at ${clockTime(energy.since)}`}
          >
            The same known source once more. Only then is the bus reading worth believing.
            <KnownSource />
          </Step>
        </ol>
      </div>
      {inHand === 2 && (
        <div className="border-t border-hair px-3.5 py-2 lg:hidden">
          <Keypad
            text={bus.text}
            onText={bus.setText}
            onKeep={act}
            keep={bus.ready ? bus.label : 'Keep'}
            canKeep={ready}
          />
        </div>
      )}
      <div className={inHand === 2 ? 'max-lg:hidden' : ''}>
        <ActionBar title={footTitle(energy, inHand)} detail={<WaitLine energy={energy} />}>
          {inHand < 4 && !onKeypad && <StopButton />}
          <Button kind="go" hint="Enter" onClick={act} disabled={!ready}>
            {labels[inHand]}
          </Button>
        </ActionBar>
      </div>
    </>
  );
}

/** The connected meter on the known source: its figure is looked at, not kept. */
function KnownSource() {
  const { job } = useJob();
  return (
    <MeterStrip
      job={job.id}
      bench={job.bench}
      wanted={{ function: 'V=', red: KNOWN_SOURCE, black: KNOWN_SOURCE }}
      touch="Touch the known source"
      holding={false}
    />
  );
}

function busName(sheet: Sheet): string {
  const place = locate(sheet, sheet.safety.bus.red);
  return `The bus on the ${place?.board.name.toLowerCase() ?? 'board'}`;
}

function busWords({ bus }: Energy): string {
  if (!bus) return '';
  return bus.reading.kind === 'overload' ? 'OL' : formatQuantity(Math.abs(bus.reading.value), 'V');
}

function footTitle(energy: Energy, inHand: number): string {
  if (inHand === 4) return 'Next: Measure';
  return ['Isolate first', 'Prove the meter', 'Measure the bus', 'Prove the meter again'][inHand]!;
}

function WaitLine({ energy }: { energy: Energy }) {
  const now = useNow();
  const left = (energy.waitUntil ?? 0) - now;
  if (energy.kind !== 'not-proven' || energy.waitUntil === undefined) return null;
  return left > 0 ? (
    <>wait {countdown(left)} more; time alone is not proof</>
  ) : (
    <>the wait is over; time alone is not proof</>
  );
}

/** Read in full before the first step; one line to open again after that. */
function Cautions({ sheet, open }: { sheet: Sheet; open: boolean }) {
  const lines = sheet.safety.cautions ?? [];
  return (
    <details
      key={String(open)}
      open={open}
      className={`mt-3 border-l-4 border-marigold bg-marigold-tint px-4 text-[15px] max-lg:mt-1 max-lg:py-0.5 ${open ? 'py-2' : 'py-0'}`}
    >
      <summary className="flex min-h-8 cursor-pointer items-center font-semibold text-marigold">
        ▸ Mind this: {sheet.safety.volts} V may be stored here
      </summary>
      <ul className="m-0 list-none p-0">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
        <li>The maker’s instructions and local rules come first.</li>
      </ul>
    </details>
  );
}

interface StepProps {
  readonly n: number;
  readonly inHand: number;
  readonly title: string;
  readonly done: string | false | undefined;
  readonly children: ReactNode;
}

function Step({ n, inHand, title, done, children }: StepProps) {
  const finished = n < inHand;
  const now = n === inHand;
  return (
    <li
      aria-current={now ? 'step' : undefined}
      className={`border-b border-hair ${finished ? 'py-1' : 'py-3'} ${!now && inHand === 2 ? 'max-lg:hidden' : ''} ${now ? 'border-l-4 border-l-jade bg-card px-4' : 'px-1'}`}
    >
      <div className="flex items-baseline gap-3">
        <span className={`figure ${now ? 'text-[20px] font-bold' : 'text-soft'}`}>
          {finished ? '✓' : n + 1}
        </span>
        <h2
          className={`m-0 ${now ? 'text-[20px] font-bold' : 'text-[17px] font-normal text-soft'}`}
        >
          {title}
        </h2>
        {finished && done && <span className="text-[14px] text-soft">{done}</span>}
      </div>
      {now && <div className={`mt-2 ${n === 2 ? '' : 'pl-7 max-lg:pl-0'}`}>{children}</div>}
    </li>
  );
}
