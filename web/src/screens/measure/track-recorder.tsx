/** Figures of a series, each stamped when it is kept; the event marked; by keyboard or by thumb. */
import { METER_FUNCTIONS, parseEntry } from '@jeitinho/core';
import type { Placement } from '@jeitinho/core/bench';
import {
  MOST_SAMPLES,
  driverOf,
  eventOf,
  secondsOf,
  type Sample,
  type SeriesExpectation,
} from '@jeitinho/core/judge';
import { useState } from 'react';
import { Said } from '../../parts/said';
import { useNow } from '../../data/now';
import { Button } from '../../parts/button';
import { Keypad } from '../../parts/keypad';
import { MeterStrip } from '../../parts/meter/meter-strip';
import { useSmallScreen } from '../../parts/small-screen';
import type { TrackDraft } from './track-draft';
import { useTrackFeed } from './use-track-feed';

/** A pause this long was an interruption: a dead battery, a telephone call. */
const INTERRUPTED_MS = 60_000;

export interface TrackRecorderProps {
  readonly job: string;
  /** Whether the job has a machine for the simulated meter. */
  readonly bench: boolean;
  /** Where a connected meter is wanted. */
  readonly wanted: Placement;
  readonly expect: SeriesExpectation;
  readonly draft: TrackDraft;
  readonly onDraft: (draft: TrackDraft) => void;
}

export function TrackRecorder(props: TrackRecorderProps) {
  const { job, bench, wanted, expect, draft, onDraft } = props;
  const recording = useRecording(props);
  const { parsed, ready, meter, last, full, event } = recording;
  const light = expect.kind === 'pattern';
  const metered = METER_FUNCTIONS[wanted.function].metered && !light;
  return (
    <form
      data-keys="off"
      onSubmit={(submit) => {
        submit.preventDefault();
        if (ready && parsed.kind === 'value') recording.add(parsed.value);
      }}
    >
      <Elapsed expect={expect} draft={draft} byMeter={meter.on} />
      {metered && (
        <MeterStrip
          job={job}
          bench={bench}
          wanted={wanted}
          touch="Touch the points"
          holding={false}
        />
      )}
      {metered && (meter.on || (meter.ready && !full)) && (
        <Button
          {...(!last && { kind: 'go' as const })}
          aria-pressed={meter.on}
          disabled={!meter.on && recording.driverMissing}
          onClick={() => meter.setOn(!meter.on)}
        >
          {meter.on ? 'Stop recording' : 'Record from the meter'}
        </Button>
      )}
      <Said className="m-0 text-[15px] text-brick">
        {meter.on && !meter.ready && (
          <> The meter shows no figure for this test: nothing is being recorded.</>
        )}
      </Said>
      {light ? (
        <div className="mt-2 flex gap-2">
          <Button onClick={() => recording.add(1)}>Light on now</Button>
          <Button onClick={() => recording.add(0)}>Light off now</Button>
        </div>
      ) : (
        <FigureFields recording={recording} />
      )}
      <p role="status" className="m-0 mt-1 min-h-6">
        {parsed.kind === 'error' ? (
          <span className="text-brick">{parsed.message}</span>
        ) : parsed.kind === 'value' ? (
          <span className="figure">{parsed.echo}</span>
        ) : null}
      </p>
      {event !== undefined && (
        <Button
          className="mb-2"
          aria-pressed={draft.eventAt !== undefined}
          onClick={() => {
            const at = Date.now();
            onDraft({ ...draft, startedAt: last ? draft.startedAt : at, eventAt: at });
          }}
        >
          {draft.eventAt === undefined ? `Mark now: ${event}` : `✓ marked: ${event}`}
        </Button>
      )}
      {!light && <FigureKeys recording={recording} />}
    </form>
  );
}

/** What is typed, what drives it, the connected meter, and how a figure is added. */
function useRecording({ wanted, expect, draft, onDraft }: TrackRecorderProps) {
  const [text, setText] = useState('');
  const [driverText, setDriverText] = useState('');
  const [typing, setTyping] = useState<'figure' | 'driver'>('figure');
  const parsed = parseEntry(text, expect.unit);
  const driver = driverOf(expect);
  const driverValue = Number(driverText.replace(',', '.'));
  const driverMissing =
    driver !== undefined && (driverText.trim() === '' || Number.isNaN(driverValue));
  const event = eventOf(expect);
  const last = draft.samples.at(-1);
  const seconds = secondsOf(expect);
  const add = (value: number) => {
    const at = Date.now();
    const startedAt = last ? draft.startedAt : (draft.eventAt ?? at);
    const sample: Sample = {
      // A clock set back must not make a figure older than the one before it.
      t: Math.max(last?.t ?? 0, (at - startedAt) / 1000),
      value,
      ...(driver !== undefined && { driver: driverValue }),
    };
    onDraft({ ...draft, startedAt, samples: [...draft.samples, sample] });
    setText('');
  };
  /** As long as the rule wants; one that waits for an event goes on until somebody stops it. */
  const full =
    draft.samples.length >= MOST_SAMPLES ||
    (seconds > 0 && event === undefined && last !== undefined && last.t >= seconds);
  const meter = useTrackFeed(expect, wanted.function, full, add);
  const ready = parsed.kind === 'value' && !driverMissing;
  return {
    ...{ text, setText, driverText, setDriverText, typing, setTyping },
    ...{ parsed, driver, driverMissing, event, last, full, ready, meter, add },
    settings: expect.kind === 'follows' ? (expect.at ?? []) : [],
  };
}
type Recording = ReturnType<typeof useRecording>;

/** How long it has run, and whether it was left. */
function Elapsed({
  expect,
  draft,
  byMeter,
}: {
  expect: SeriesExpectation;
  draft: TrackDraft;
  byMeter: boolean;
}) {
  const now = useNow(500);
  const last = draft.samples.at(-1);
  const elapsed = last ? Math.max(0, Math.floor((now - draft.startedAt) / 1000)) : 0;
  const pause = last ? now - (draft.startedAt + last.t * 1000) : 0;
  const seconds = secondsOf(expect);
  return (
    <>
      <p className="m-0 text-[15px] text-soft">
        <span role="timer" className="figure text-[22px] text-ink">
          {elapsed} s
        </span>{' '}
        {seconds > 0 ? `of ${seconds} s` : ''} · {draft.samples.length} figures
        <span className="max-lg:hidden">
          {byMeter ? '. The meter writes them.' : '. Each one is stamped when you keep it.'}
        </span>
      </p>
      <Said className="m-0 border-l-4 border-marigold bg-marigold-tint px-3 py-1">
        {pause > INTERRUPTED_MS && (
          <>
            {' '}
            Nothing for {Math.round(pause / 60_000)} min. All figures so far are kept: go on, keep
            them, or start over.
          </>
        )}
      </Said>
    </>
  );
}

function FigureFields({ recording }: { recording: Recording }) {
  const small = useSmallScreen();
  const { driver, settings, typing, meter } = recording;
  const field = (which: 'figure' | 'driver') => ({
    inputMode: small ? ('none' as const) : ('decimal' as const),
    autoComplete: 'off',
    onFocus: () => recording.setTyping(which),
  });
  const edge = (which: 'figure' | 'driver') =>
    typing === which ? 'border-2 border-jade' : 'border-soft';
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2">
      {settings.length > 0 && (
        <div role="group" aria-label={`Settings of the ${driver}`} className="flex w-full gap-2">
          {settings.map((setting) => (
            <button
              key={setting.name}
              type="button"
              aria-pressed={recording.driverText === String(setting.driver)}
              onClick={() => recording.setDriverText(String(setting.driver))}
              className="min-h-12 cursor-pointer border border-soft bg-card px-4 text-[17px] aria-pressed:border-2 aria-pressed:border-jade aria-pressed:bg-jade-tint"
            >
              {setting.name}
            </button>
          ))}
        </div>
      )}
      {driver !== undefined && (
        <label className="text-[14px] text-soft">
          {driver}
          <input
            {...field('driver')}
            value={recording.driverText}
            maxLength={12}
            onChange={(change) => recording.setDriverText(change.target.value)}
            className={`figure block min-h-12 w-28 border bg-card px-3 text-[20px] text-ink ${edge('driver')}`}
          />
        </label>
      )}
      <label hidden={meter.on} className="text-[14px] text-soft">
        Figure now
        <input
          autoFocus
          {...field('figure')}
          value={recording.text}
          maxLength={24}
          onChange={(change) => recording.setText(change.target.value)}
          className={`figure block min-h-12 w-40 border bg-card px-3 text-[22px] text-ink ${edge('figure')}`}
        />
      </label>
      {!meter.on && (
        <Button type="submit" disabled={!recording.ready} className="max-lg:hidden">
          Add
        </Button>
      )}
    </div>
  );
}

/** Keys for the field in hand; none where the meter writes and nothing drives it. */
function FigureKeys({ recording }: { recording: Recording }) {
  const { driver, typing, meter, parsed } = recording;
  if (meter.on && driver === undefined) return null;
  const driving = typing === 'driver' || meter.on;
  return (
    <Keypad
      text={driving ? recording.driverText : recording.text}
      onText={driving ? recording.setDriverText : recording.setText}
      onKeep={() => parsed.kind === 'value' && recording.add(parsed.value)}
      keep="Add"
      canKeep={recording.ready}
    />
  );
}
