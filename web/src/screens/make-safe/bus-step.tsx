/** The bus reading: countdown, placement, entry, and what a reading above the limit means. */
import { formatQuantity, parseEntry, placementWords, type TypedEntry } from '@jeitinho/core';
import { useDraft } from '../../data/draft';
import { countdown, useNow } from '../../data/now';
import { BoardDrawing } from '../../parts/board-drawing';
import { Keypad } from '../../parts/keypad';
import { useJob } from '../job/job-context';

export interface BusEntry {
  readonly text: string;
  readonly setText: (text: string) => void;
  readonly parsed: TypedEntry;
  readonly ready: boolean;
  readonly label: string;
  readonly keep: () => Promise<void>;
}

export function useBusEntry(): BusEntry {
  const { job, record } = useJob();
  const [text, setText] = useDraft(`bus.${job.id}`);
  const parsed = parseEntry(text, 'V');
  const ready = parsed.kind === 'value' || parsed.kind === 'overload';
  const keep = async () => {
    if (!ready) return;
    const reading =
      parsed.kind === 'value'
        ? { kind: 'value' as const, value: parsed.value }
        : { kind: 'overload' as const };
    if (await record('safed', { step: 'bus', reading, typed: text.trim().slice(0, 60) }))
      setText('');
  };
  return {
    text,
    setText,
    parsed,
    ready,
    keep,
    label: ready ? `Keep ${parsed.echo}` : 'Keep the reading',
  };
}

export function BusStep({ entry }: { entry: BusEntry }) {
  const { sheet, state } = useJob();
  const now = useNow(500);
  const left = (state.energy.waitUntil ?? 0) - now;
  const { bus } = sheet.safety;
  return (
    <div className="grid gap-5 lg:grid-cols-2">
      <BoardDrawing sheet={sheet} red={bus.red} black={bus.black} />
      <div>
        {left > 0 ? (
          <p className="m-0">
            <span
              role="timer"
              aria-label="Time still to wait"
              className="figure text-[52px] leading-none"
            >
              {countdown(left)}
            </span>{' '}
            <span className="block text-soft">
              still to wait. A reading now is kept, but proves nothing yet.
            </span>
          </p>
        ) : (
          <p role="status" className="m-0 text-[18px] font-semibold">
            The wait is over. Measure now.
          </p>
        )}
        <p className="m-0 mt-3 text-[18px]">
          Meter on <strong>DC volts</strong>. {placementWords(sheet, bus)}.
        </p>
        <label className="mt-2 block text-[14px] text-soft">
          Bus volts
          <input
            autoFocus
            data-keys="on"
            inputMode="none"
            autoComplete="off"
            value={entry.text}
            maxLength={24}
            onChange={(event) => entry.setText(event.target.value)}
            className="reading-field figure block h-[76px] w-full border-0 border-b-2 border-ink bg-transparent text-[56px] text-ink"
          />
        </label>
        <p role="status" className="m-0 mt-1 min-h-6">
          <Echo parsed={entry.parsed} />
        </p>
        <p className="m-0 text-[15px] text-soft">
          Dead below {formatQuantity(bus.below, 'V')} · {sheet.source.document}
        </p>
        <TooHigh />
        <div className="mt-3">
          <Keypad
            text={entry.text}
            onText={entry.setText}
            onKeep={() => void entry.keep()}
            keep="Keep"
            canKeep={entry.ready}
          />
        </div>
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
  const shown =
    bus.reading.kind === 'overload' ? 'OL' : formatQuantity(Math.abs(bus.reading.value), 'V');
  if (bus.judgement.verdict === 'in')
    return bus.waited ? null : (
      <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-3 py-2">
        {shown} is low enough, but the wait is not over. Measure again then.
      </p>
    );
  return (
    <p role="alert" className="m-0 mt-3 border-l-4 border-brick bg-brick-tint px-3 py-2">
      <strong>{shown}: still charged.</strong>{' '}
      {bus.waited
        ? (sheet.safety.stuck ?? 'Do not go on. Wait, measure again, or stop and call.')
        : 'Keep away and keep waiting.'}
    </p>
  );
}
