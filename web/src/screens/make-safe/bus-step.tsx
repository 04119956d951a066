/** The bus reading: countdown, placement, entry, and what a reading above the limit means. */
import {
  dischargeOf,
  formatQuantity,
  parseEntry,
  placementWords,
  sourceWords,
  type TypedEntry,
} from '@jeitinho/core';
import { useDraft } from '../../data/draft';
import { countdown, useNow } from '../../data/now';
import { BoardDrawing } from '../../parts/board/board-drawing';
import { useMeterFeed } from '../../data/meter/feed';
import { useStale } from '../../parts/meter/meter-digits';
import { MeterStrip } from '../../parts/meter/meter-strip';
import { useJob } from '../job/job-context';
import { MeterChip } from '../measure/meter-dialog';
import { FallForecast, FallLimits } from './fall-panel';

export interface BusEntry {
  readonly text: string;
  readonly setText: (text: string) => void;
  readonly parsed: TypedEntry;
  readonly ready: boolean;
  readonly label: string;
  readonly keep: () => Promise<void>;
}

const meterWords = (value: number | null) => (value === null ? 'OL' : formatQuantity(value, 'V'));

export function useBusEntry(): BusEntry {
  const { job, sheet, record } = useJob();
  const { bus } = sheet.safety;
  const [text, setText] = useDraft(`bus.${job.id}`);
  const parsed = parseEntry(text, 'V');
  const feed = useMeterFeed();
  const stale = useStale();
  // Nothing typed: what a meter on the bus shows is kept, if it is fresh and on DC volts.
  const onBus =
    feed.kind === 'serial' || feed.leads?.red === bus.red || feed.leads?.red === bus.black;
  const shown =
    text === '' && !stale && onBus && feed.line?.fn === 'V=' ? feed.line.value : undefined;
  const typed = parsed.kind === 'value' || parsed.kind === 'overload';
  const ready = typed || shown !== undefined;
  const keep = async () => {
    if (!ready) return;
    const value = parsed.kind === 'value' ? parsed.value : parsed.kind === 'empty' ? shown : null;
    const reading =
      value === null || value === undefined
        ? { kind: 'overload' as const }
        : { kind: 'value' as const, value };
    const words = text.trim().slice(0, 60) || `meter ${meterWords(shown ?? null)}`;
    if (await record('safed', { step: 'bus', reading, typed: words })) setText('');
  };
  return {
    text,
    setText,
    parsed,
    ready,
    keep,
    label: typed
      ? `Keep ${parsed.echo}`
      : shown !== undefined
        ? `Keep ${meterWords(shown)}`
        : 'Keep the reading',
  };
}

export function BusStep({ entry }: { entry: BusEntry }) {
  const { job, sheet, state } = useJob();
  const now = useNow(500);
  const left = (state.energy.waitUntil ?? 0) - now;
  const { bus } = sheet.safety;
  return (
    <div className="grid gap-x-5 gap-y-2 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div className="max-lg:contents">
        <div className="max-lg:order-1">
          <BoardDrawing sheet={sheet} red={bus.red} black={bus.black} />
        </div>
        <div className="max-lg:order-3">
          <FallForecast />
        </div>
      </div>
      <div className="max-lg:order-2">
        <TooHigh />
        {left > 0 ? (
          <p className="m-0 flex items-center gap-3">
            <span
              role="timer"
              aria-label="Time still to wait"
              className="figure text-[44px] leading-none max-lg:text-[34px]"
            >
              {countdown(left)}
            </span>
            <span className="text-[15px] text-soft">
              still to wait. A reading now is kept, but proves nothing yet.
            </span>
          </p>
        ) : (
          <p role="status" className="m-0 text-[18px] font-semibold">
            The wait is over. Measure now.
          </p>
        )}
        <FallLimits />
        <p className="m-0 mt-2 text-[18px] max-lg:mt-1">
          Meter on <strong>DC volts</strong>. {placementWords(sheet, bus)}.
        </p>
        <MeterStrip
          job={job.id}
          bench={job.bench}
          wanted={{ function: 'V=', red: bus.red, black: bus.black }}
          touch="Touch the bus"
          holding={false}
        />
        <label className="mt-1 block text-[14px] text-soft max-lg:mt-0">
          Bus volts
          <input
            autoFocus
            data-keys="on"
            inputMode="none"
            autoComplete="off"
            value={entry.text}
            maxLength={24}
            onChange={(event) => entry.setText(event.target.value)}
            className="reading-field figure block h-[72px] w-full border-0 border-b-4 border-ink bg-transparent text-[56px] text-ink focus:border-jade max-lg:h-[60px]"
          />
        </label>
        <p role="status" className="m-0 mt-1 min-h-6">
          <Echo parsed={entry.parsed} />
        </p>
        <p className="m-0 mt-1 text-[15px] text-soft">
          Dead below {formatQuantity(bus.below, 'V')} · {sourceWords(sheet, bus.page)}
        </p>
        <p className="m-0 mt-1 flex flex-wrap items-center gap-2 text-[15px] text-soft">
          with <MeterChip />
        </p>
      </div>
    </div>
  );
}

function Echo({ parsed }: { parsed: TypedEntry }) {
  if (parsed.kind === 'error') return <span className="text-brick">{parsed.message}</span>;
  if (parsed.kind === 'not-taken')
    return <span className="text-brick">The bus needs a figure.</span>;
  if (parsed.kind === 'empty') return null;
  return <span className="figure">{parsed.echo}</span>;
}

function TooHigh() {
  const { sheet, state } = useJob();
  const { bus } = state.energy;
  if (!bus) return null;
  // While readings say that it falls, waiting is advice enough; where it is stuck, its own panel speaks.
  const fall = dischargeOf(sheet, state.energy);
  const foretold = fall?.by === 'readings';
  const shown =
    bus.reading.kind === 'overload' ? 'OL' : formatQuantity(Math.abs(bus.reading.value), 'V');
  if (bus.judgement.verdict === 'in')
    return bus.waited ? null : (
      <p className="m-0 mb-2 border-l-4 border-marigold bg-marigold-tint px-3 py-2">
        {shown} is low enough, but the wait is not over. Measure again then.
      </p>
    );
  return (
    <p role="alert" className="m-0 mb-2 border-l-4 border-brick bg-brick-tint px-3 py-2">
      <strong>{shown}: still charged.</strong>{' '}
      {bus.waited && !foretold
        ? (sheet.safety.stuck ?? 'Do not go on. Wait, measure again, or stop and call.')
        : 'Keep away and keep waiting.'}
    </p>
  );
}
