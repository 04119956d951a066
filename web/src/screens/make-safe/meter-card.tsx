/** The meter held to a known source: its figure is kept, and must fit. */
import {
  bandsOf,
  bandWords,
  METER_FUNCTIONS,
  sourceName,
  sourcesFor,
  supplyVolts,
  formatQuantity,
  type Source,
  type SourceKind,
  type VoltsFunction,
} from '@jeitinho/core';
import { knownSource, PROVING_UNIT_VOLTS } from '@jeitinho/core/bench';
import type { Sheet } from '@jeitinho/core/sheet';
import { useDraft } from '../../data/draft';
import { useMeterFeed } from '../../data/meter/feed';
import { MeterStrip } from '../../parts/meter/meter-strip';
import { useJob } from '../job/job-context';
import { Dial } from './step-list';
import type { VoltsEntry } from './volts-entry';
import { VoltsField } from './volts-field';

export interface ChosenSource {
  readonly source: Source;
  readonly kinds: readonly SourceKind[];
  readonly choose: (kind: SourceKind) => void;
  readonly unitText: string;
  readonly setUnitText: (text: string) => void;
}

/** Which source the meter is held to, kept for the job and the function. */
export function useSource(fn: VoltsFunction): ChosenSource {
  const { job, sheet } = useJob();
  const feed = useMeterFeed();
  const kinds = sourcesFor(sheet, fn);
  const [kept, choose] = useDraft(`source.${job.id}.${fn}`);
  const [unitText, setUnitText] = useDraft(`proving-unit.${job.id}`);
  const kind = kinds.find((each) => each === kept) ?? kinds[0]!;
  const simulated = feed.kind === 'simulated' && feed.job === job.id;
  const marked = simulated ? PROVING_UNIT_VOLTS : Number(unitText.replace(',', '.'));
  const volts = marked >= 10 && marked <= 1500 ? marked : undefined;
  const source = kind === 'proving-unit' ? { kind, volts } : { kind };
  return { source, kinds, choose, unitText: simulated ? String(marked) : unitText, setUnitText };
}

function sourceLabel(sheet: Sheet, kind: SourceKind): string {
  if (kind !== 'supply') return sourceName({ kind });
  return `this supply, ${formatQuantity(supplyVolts(sheet)[0]!, 'V')}`;
}

export interface MeterCardProps {
  readonly fn: VoltsFunction;
  readonly again: boolean;
  readonly chosen: ChosenSource;
  readonly entry: VoltsEntry;
}

export function MeterCard({ fn, again, chosen, entry }: MeterCardProps) {
  const { job, sheet } = useJob();
  const { source, kinds, choose } = chosen;
  const bands = bandsOf(sheet, fn, source);
  const place = knownSource(source.kind);
  return (
    <>
      <h2 className="m-0 text-[25px] leading-tight font-bold max-lg:text-[20px]">
        {again ? 'Prove the meter again' : 'Prove the meter'} <Dial fn={fn} />
      </h2>
      <p className="m-0 mt-1 text-soft max-lg:hidden">
        {again
          ? 'The same meter, on the same function: only then are the figures between worth believing.'
          : `Meter on ${METER_FUNCTIONS[fn].words}. A dead meter shows a dead machine.`}
      </p>
      <fieldset className="m-0 mt-3 border-0 p-0 max-lg:mt-1">
        <legend className="font-semibold max-lg:text-[15px]">Held to</legend>
        <div className="mt-1 flex flex-wrap gap-2">
          {kinds.map((kind) => (
            <label
              key={kind}
              className={`flex min-h-11 cursor-pointer items-center gap-2 border-2 px-3 ${kind === source.kind ? 'border-jade bg-card font-semibold' : 'border-hair'}`}
            >
              <input
                type="radio"
                name={`source-${fn}`}
                checked={kind === source.kind}
                onChange={() => choose(kind)}
                className="h-6 w-6 accent-[var(--jade)]"
              />
              {sourceLabel(sheet, kind)}
            </label>
          ))}
          {source.kind === 'proving-unit' && (
            <label className="flex items-center gap-2 text-[15px] text-soft">
              marked
              <input
                value={chosen.unitText}
                inputMode="decimal"
                maxLength={6}
                autoComplete="off"
                onChange={(event) => chosen.setUnitText(event.target.value)}
                className="figure min-h-11 w-20 border border-soft bg-card px-2 text-ink"
              />
              V
            </label>
          )}
        </div>
      </fieldset>
      <p className="m-0 mt-2 text-[15px] text-soft max-lg:mt-1 max-lg:text-[14px] max-lg:leading-tight">
        {where(sheet, source.kind)}
      </p>
      <MeterStrip
        job={job.id}
        bench={job.bench}
        wanted={{ function: fn, red: place, black: place }}
        touch={`Touch ${sourceName({ kind: source.kind })}`}
        holding={false}
        quiet
      />
      <VoltsField entry={entry} label="It shows, V" />
      <p className="m-0 text-[15px] text-soft">
        {bands.length > 0
          ? `It must show ${bandWords(bands)} there. 0 V proves no meter.`
          : 'Say how many volts the proving unit is marked with: 10 to 1,500.'}
      </p>
    </>
  );
}

function where(sheet: Sheet, kind: SourceKind): string {
  if (kind === 'supply')
    return `Before the isolator, or a socket of the same supply.${sheet.safety.knownSource ? ` The sheet: ${sheet.safety.knownSource}.` : ''}`;
  if (kind === 'battery')
    return 'Any good one: 1.5 V cell to 12 V battery, no part of this machine.';
  return 'Within 10 % of what is marked on it.';
}
