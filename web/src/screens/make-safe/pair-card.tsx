/** One pair: where the leads go, on which function, and what its figure means. */
import {
  latestOf,
  METER_FUNCTIONS,
  sourceWords,
  formatQuantity,
  dischargeOf,
  joulesIn,
  supplyVolts,
  waitUntil,
  type Pair,
  type PairReading,
} from '@jeitinho/core';
import { accessOwedFor } from '@jeitinho/core/job';
import { placementWords, type Access, type Sheet } from '@jeitinho/core/sheet';
import { countdown, useNow } from '../../data/now';
import { BoardDrawing } from '../../parts/board/board-drawing';
import { useKeys } from '../../parts/keys';
import { MeterStrip } from '../../parts/meter/meter-strip';
import { useJob } from '../job/job-context';
import { MeterChip } from '../measure/meter-dialog';
import { FallForecast, FallLimits } from './fall-panel';
import { figureOf } from './safe-steps';
import { VoltsBand } from './volts-band';
import type { VoltsEntry } from './volts-entry';
import { VoltsField } from './volts-field';

export function PairCard({ pair, entry }: { pair: Pair; entry: VoltsEntry }) {
  const { job, sheet, state } = useJob();
  const owed = accessOwedFor(sheet, state, pair.access);
  const latest = latestOf(state.energy, pair.id);
  const value = entry.reading?.kind === 'value' ? Math.abs(entry.reading.value) : undefined;
  return (
    <>
      <h2 className="m-0 text-[25px] leading-tight font-bold max-lg:text-[20px]">
        <Placement words={placementWords(sheet, { red: pair.from, black: pair.to })} />
      </h2>
      <p className="m-0 mt-1 text-soft max-lg:text-[15px]">
        Meter on <strong className="text-ink">{METER_FUNCTIONS[pair.function].words}</strong>.{' '}
        <span className={pair.place ? 'max-lg:hidden' : ''}>
          {pair.function === 'V~'
            ? 'On DC a live wire reads nothing.'
            : 'On AC a charged capacitor reads nothing.'}
        </span>
        {pair.place && ` ${upperFirst(pair.place)}.`}
      </p>
      <Covers owed={owed} />
      {owed.length === 0 && (
        <>
          <Waiting pair={pair} />
          {latest && <Verdict pair={pair} latest={latest} />}
          <MeterStrip
            job={job.id}
            bench={job.bench}
            wanted={{ function: pair.function, red: pair.from, black: pair.to }}
            touch={`Touch ${pair.name}`}
            holding={false}
            quiet
          />
          <VoltsField entry={entry} label={`${pair.name}, V`} />
          <VoltsBand
            deadBelow={pair.deadBelow}
            live={liveVolts(sheet, pair)}
            liveWords={liveWords(sheet, pair)}
            value={value}
          />
          <FallLimits pair={pair} />
          <FallForecast pair={pair} />
        </>
      )}
      {pair.note && (
        <p className="m-0 mt-2 border-l-4 border-brick bg-brick-tint px-3 py-2">{pair.note}</p>
      )}
      {owed.length === 0 && (
        <div className="mt-2 max-w-[400px] max-lg:max-w-none">
          <BoardDrawing sheet={sheet} red={pair.from} black={pair.to} />
        </div>
      )}
      <p className="m-0 mt-2 flex flex-wrap items-center gap-2 text-[15px] text-soft">
        Dead below {formatQuantity(pair.deadBelow, 'V')} · {sourceWords(sheet, pair.page)} ·{' '}
        <MeterChip />
      </p>
    </>
  );
}

const upperFirst = (text: string) => text.replace(/^./, (first) => first.toUpperCase());

/** The red lead's word in its colour, as its flag has it on the drawing. */
function Placement({ words }: { words: string }) {
  const [, red, rest] = /^(Red on [^,]+)(.*)$/.exec(words) ?? [];
  if (red === undefined) return <>{words}</>;
  return (
    <>
      <span className="text-brick">{red}</span>
      {rest}
    </>
  );
}

/** What a leg or a store can read at most if it is live or charged, as the sheet states it. */
const liveVolts = (sheet: Sheet, { store, function: fn }: Pair): number =>
  (fn === 'V=' ? store?.highest : supplyVolts(sheet)[0]) ?? sheet.safety.volts;

function liveWords(sheet: Sheet, pair: Pair): string {
  const volts = liveVolts(sheet, pair);
  if (pair.function === 'V~') return `live is up to ${formatQuantity(volts, 'V')}`;
  const { store } = pair;
  const joules =
    store?.farads === undefined ? '' : `, ${joulesWords(joulesIn(store.farads, store.highest))}`;
  return `charged is up to ${formatQuantity(volts, 'V')}${joules}`;
}

export const joulesWords = (joules: number): string => `${Number(joules.toPrecision(2))} J`;

/** Covers that lie over the place, each gone with one press. */
function Covers({ owed }: { owed: readonly Access[] }) {
  const { record } = useJob();
  const open = (access: Access) => void record('access', { access: access.id });
  useKeys({ a: () => owed[0] && open(owed[0]) });
  if (owed.length === 0) return null;
  return (
    <section
      aria-label="Open first"
      className="mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-3"
    >
      <p className="m-0 text-[18px] font-semibold">
        It lies under a cover. Open it without touching anything inside:
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {owed.map((access, i) => (
          <button
            key={access.id}
            type="button"
            onClick={() => open(access)}
            className="min-h-12 cursor-pointer border border-marigold bg-card px-4 text-[18px]"
          >
            ☐ {access.name ?? access.id}
            {i === 0 && (
              <kbd aria-hidden="true" className="figure ml-2 text-[13px] text-soft max-lg:hidden">
                a
              </kbd>
            )}
          </button>
        ))}
      </div>
    </section>
  );
}

function Waiting({ pair }: { pair: Pair }) {
  const { state } = useJob();
  const now = useNow(500);
  const until = waitUntil(pair, state.energy);
  if (pair.waitMinutes === 0 || until === undefined) return null;
  if (until > now)
    return (
      <p className="m-0 mt-2 flex items-center gap-3">
        <span
          role="timer"
          aria-label="Time still to wait"
          className="figure text-[40px] leading-none max-lg:text-[30px]"
        >
          {countdown(until - now)}
        </span>
        <span className="text-[15px] text-soft">
          still to wait.{' '}
          <span className="max-lg:hidden">A reading now is kept, but proves nothing yet.</span>
          <span className="lg:hidden">A figure now proves nothing.</span>
        </span>
      </p>
    );
  return (
    <p role="status" className="m-0 mt-2 font-semibold">
      The wait is over. Measure now.
    </p>
  );
}

/** What the latest figure of this pair says, where that is not enough. */
function Verdict({ pair, latest }: { pair: Pair; latest: PairReading }) {
  const { sheet, state } = useJob();
  const shown = figureOf(latest.reading);
  if (latest.judgement.verdict === 'in') {
    if (latest.waited) return null;
    return (
      <p className="m-0 mt-2 border-l-4 border-marigold bg-marigold-tint px-3 py-2">
        {shown} is low enough, but the wait is not over. Measure again then.
      </p>
    );
  }
  if (pair.function === 'V~')
    return (
      <p role="alert" className="m-0 mt-2 border-l-4 border-brick bg-brick-tint px-3 py-2">
        <strong>{shown}: something still feeds it.</strong> Keep out. Find the other supply and
        isolate it. A wire on nothing can show a ghost voltage: on the low-impedance volts of the
        meter it vanishes, a real one stays.
      </p>
    );
  // While readings say that it falls, waiting is advice enough; where it is stuck, its own panel speaks.
  const foretold = dischargeOf(pair, state.energy)?.by === 'readings';
  return (
    <p role="alert" className="m-0 mt-2 border-l-4 border-brick bg-brick-tint px-3 py-2">
      <strong>{shown}: still charged.</strong>{' '}
      {latest.waited && !foretold
        ? (sheet.safety.stuck ?? 'Do not go on. Wait, measure again, or stop and call.')
        : 'Keep away and keep waiting.'}
    </p>
  );
}
