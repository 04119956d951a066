/** How a store falls: what may be done at which moment, foretold from the readings and corrected by each. */
import {
  dischargeOf,
  formatQuantity,
  type Discharge,
  type LimitAhead,
  type Pair,
} from '@jeitinho/core';
import { clockTime, countdown, useNow } from '../../data/now';
import { useJob } from '../job/job-context';
import { FallChart } from './fall-chart';

export function FallLimits({ pair }: { pair: Pair }) {
  const { state } = useJob();
  const now = useNow(500);
  const fall = dischargeOf(pair, state.energy);
  // On an isolated leg nothing falls: it is dead, or it is fed.
  if (!fall || pair.function === 'V~') return null;
  return (
    <section aria-label="How it falls" className="my-2">
      {fall.stuck && <Stuck />}
      <ul className="m-0 list-none border-t border-hair p-0">
        {fall.limits.map((limit) => (
          <Limit key={limit.id} limit={limit} fall={fall} now={now} />
        ))}
      </ul>
    </section>
  );
}

/** The forecast drawn, and what it rests on. */
export function FallForecast({ pair }: { pair: Pair }) {
  const { state } = useJob();
  const now = useNow(500);
  const fall = dischargeOf(pair, state.energy);
  if (!fall || pair.function === 'V~') return null;
  const readings = state.energy.readings.filter((each) => each.pair === pair.id);
  return (
    <>
      <FallChart readings={readings} fall={fall} now={now} />
      <p className="m-0 mt-1 text-[14px] text-soft">{basis(fall)}</p>
    </>
  );
}

function Limit({ limit, fall, now }: { limit: LimitAhead; fall: Discharge; now: number }) {
  const below = formatQuantity(limit.below, 'V');
  const left = limit.at === undefined ? undefined : limit.at - now;
  const when = limit.reached
    ? `read ${formatQuantity(fall.volts, 'V')}`
    : left === undefined
      ? fall.stuck
        ? 'not by waiting'
        : 'read it once more for a forecast'
      : left > 0
        ? `about ${clockTime(limit.at!)}, then measure`
        : 'measure to prove it';
  return (
    <li className="flex items-baseline gap-3 border-b border-hair py-0.5">
      <span
        className={`figure w-20 shrink-0 text-[24px] ${limit.reached ? 'text-jade' : 'text-ink'}`}
      >
        {limit.reached ? '✓' : left === undefined ? '–' : left > 0 ? countdown(left) : 'now'}
      </span>
      <span className="min-w-0 text-[15px]">
        <strong>{limit.title}</strong> below{' '}
        <span className="figure whitespace-nowrap">{below}</span>{' '}
        <span className="text-soft">· {when}</span>
      </span>
    </li>
  );
}

function basis({ by, tau, joules }: Discharge): string {
  const stored = joules === undefined ? '' : `Still stored: ${Number(joules.toPrecision(2))} J. `;
  const rests =
    by === 'readings' && tau !== undefined
      ? `Falls by two thirds in about ${Math.round(tau)} s, by your readings.`
      : by === 'sheet' && tau !== undefined
        ? `By the sheet’s capacitors it falls by two thirds in ${Math.round(tau)} s. Your next reading corrects it.`
        : 'Two readings some ten seconds apart give a forecast.';
  return `${stored}${rests} A forecast is no proof.`;
}

function Stuck() {
  const { sheet } = useJob();
  return (
    <div role="alert" className="mb-2 border-l-4 border-brick bg-brick-tint px-3 py-2">
      <strong>It does not fall as it should.</strong> Something still feeds it, or nothing drains
      it. Check that every supply is off.
      <p className="m-0 mt-1">
        {sheet.safety.stuck ??
          'Drain it through a resistor made for the purpose, with insulated clips, then measure again.'}
      </p>
      <p className="m-0 mt-1">
        Never short it with a screwdriver: that welds the tip, throws metal and kills the capacitor.
        No drain at hand? “Stop here” is an honest end.
      </p>
    </div>
  );
}
