/** The connected meter on a card: digits, dial and leads of the simulated one, auto-hold. */
import {
  METER_FUNCTIONS,
  mismatchWords,
  sameFunction,
  type HoldState,
  type MeterFunction,
} from '@jeitinho/core';
import type { Placement } from '@jeitinho/core/bench';
import { useEffect, useState } from 'react';
import {
  disconnectMeter,
  dismissHazard,
  handOn,
  liftLeads,
  meterFeed,
  placeLeads,
  reconnectMeter,
  useMeterFeed,
} from '../../data/meter/feed';
import { setHold, useHoldChoice } from '../../data/meter/hold';
import { readySound } from '../../data/alarm';
import { Button } from '../button';
import { useKeys } from '../keys';
import { ConnectDialog } from './connect-dialog';
import { MeterDigits } from './meter-digits';
import { TickLine } from '../tick-line';

export interface MeterStripProps {
  readonly job: string;
  readonly bench: boolean;
  /** Where the card wants the leads, and the dial. */
  readonly wanted: Placement;
  /** “Touch the points”, “Touch the known source”. */
  readonly touch: string;
  /** Where auto-hold stands; undefined where nothing is held here. */
  readonly hold?: HoldState['kind'] | undefined;
  readonly holding: boolean;
  /** The digits stand large elsewhere on the card. */
  readonly quiet?: boolean;
}

const sameLeads = (a: Placement | undefined, b: Placement) =>
  a !== undefined &&
  JSON.stringify({ ...a, function: '' }) === JSON.stringify({ ...b, function: '' });

export function MeterStrip({
  job,
  bench,
  wanted,
  touch,
  hold,
  holding,
  quiet = false,
}: MeterStripProps) {
  const feed = useMeterFeed();
  const choice = useHoldChoice();
  const [choosing, setChoosing] = useState(false);
  const simulated = feed.kind === 'simulated' && feed.job === job;
  const on = feed.status !== 'off' && (feed.kind !== 'simulated' || simulated);
  const dial: MeterFunction = feed.leads?.function ?? feed.line?.fn ?? wanted.function;
  const wrong =
    feed.line && !sameFunction(feed.line.fn, wanted.function)
      ? mismatchWords(feed.line.fn, wanted.function)
      : undefined;
  const there = sameLeads(feed.leads, wanted);
  const put = (fn: MeterFunction = dial) => placeLeads({ ...wanted, function: fn });
  const key = JSON.stringify(wanted);
  const follows = simulated && choice.follow && feed.status === 'on';
  useEffect(() => {
    if (!follows) return undefined;
    // Time to lift the leads and to put them down again, as hands need it.
    liftLeads();
    const timer = setTimeout(() => placeLeads(JSON.parse(key) as Placement), 600);
    return () => clearTimeout(timer);
  }, [follows, key]);
  useKeys(
    {
      ...(simulated && { d: () => (there ? liftLeads() : put()) }),
      ...(on && holding && { h: () => setHold({ on: !choice.on }) }),
    },
    { whileTyping: false },
  );
  if (!on)
    return (
      <p className="m-0 my-1">
        <Button kind="quiet" onClick={() => setChoosing(true)}>
          Connect a meter
        </Button>
        <ConnectDialog open={choosing} job={job} bench={bench} onClose={() => setChoosing(false)} />
      </p>
    );
  return (
    <section aria-label="Connected meter" className="my-2 border border-hair bg-card px-3 py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <MeterDigits
          hold={choice.on && holding ? hold : undefined}
          wrong={wrong}
          quiet={quiet || (holding && wrong === undefined)}
        />
        {simulated && <Dial value={dial} />}
        {simulated && (
          <Button
            hint="d"
            onClick={(event) => {
              // Pressed with a finger or a mouse, it gives Enter back to the card.
              if (event.detail > 0) event.currentTarget.blur();
              if (there) liftLeads();
              else put();
            }}
          >
            {there ? 'Lift the leads' : touch}
          </Button>
        )}
        {wrong && simulated && (
          <Button onClick={() => put(wanted.function)}>
            Dial to {METER_FUNCTIONS[wanted.function].words}
          </Button>
        )}
      </div>
      <Handling feed={feed} simulated={simulated} holding={holding} />
      <Trouble feed={feed} />
    </section>
  );
}

function Dial({ value }: { value: MeterFunction }) {
  return (
    <label className="text-[14px] text-soft">
      <span className="sr-only">Dial</span>
      <select
        aria-label="Dial of the simulated meter"
        value={value}
        onChange={(event) => {
          const fn = event.target.value as MeterFunction;
          // As they lie now, not as they lay when this was drawn.
          placeLeads({ ...(meterFeed().leads ?? {}), function: fn });
        }}
        className="min-h-11 border border-soft bg-paper px-2 text-[15px] text-ink"
      >
        {Object.entries(METER_FUNCTIONS).map(([fn, facts]) => (
          <option key={fn} value={fn}>
            {facts.words}
          </option>
        ))}
      </select>
    </label>
  );
}

interface OfFeed {
  readonly feed: ReturnType<typeof useMeterFeed>;
}

/** What hands do with the meter besides touching points. */
function Handling({ feed, simulated, holding }: OfFeed & { simulated: boolean; holding: boolean }) {
  const choice = useHoldChoice();
  return (
    <div className="flex flex-wrap items-center gap-x-4 text-[15px]">
      {holding && (
        <TickLine
          hint="h"
          checked={choice.on}
          onChange={(next) => {
            readySound();
            setHold({ on: next });
          }}
        >
          Auto-hold
        </TickLine>
      )}
      {simulated && holding && (
        <TickLine checked={choice.follow} onChange={(next) => setHold({ follow: next })}>
          Leads follow the card
        </TickLine>
      )}
      {simulated && holding && !choice.follow && (
        <p className="m-0 w-full text-[13px] text-soft">
          Following, the simulated leads go to each next placement by themselves.
        </p>
      )}
      {feed.status === 'lost' && (
        <Button kind="quiet" onClick={reconnectMeter}>
          Reconnect
        </Button>
      )}
      {feed.fuseBlown && (
        <Button kind="quiet" onClick={() => handOn({ do: 'replace-fuse' })}>
          Replace the meter’s fuse
        </Button>
      )}
      <span className="flex-1" />
      <Button kind="quiet" onClick={() => void disconnectMeter()}>
        Disconnect
      </Button>
    </div>
  );
}

/** Lines that could not be read, and a danger the meter was taken off for. */
function Trouble({ feed }: OfFeed) {
  return (
    <>
      {feed.bad > 0 && (
        <p className="m-0 text-[14px] text-soft">
          {feed.bad} lines could not be read and were passed over.
        </p>
      )}
      {feed.hazard && (
        <div role="alert" className="mt-1 border-l-4 border-brick bg-brick-tint px-3 py-2">
          <p className="m-0 font-semibold">Stop. {feed.hazard}</p>
          <p className="m-0 text-[14px]">The leads were taken off. Nothing was recorded.</p>
          <Button kind="quiet" onClick={dismissHazard}>
            Understood
          </Button>
        </div>
      )}
    </>
  );
}
