/** Head of the measuring card: what and why in a line, machine state, dial, access still owed. */
import { buzzerMisleads, METER_FUNCTIONS } from '@jeitinho/core';
import { LEADS_MATTER_BELOW, limitsAt, type Want } from '@jeitinho/core/job';
import {
  findPoint,
  functionOf,
  isMeasured,
  stateName,
  type Test,
  wantsOf,
} from '@jeitinho/core/sheet';
import { MeterChip } from './meter-dialog';
import { PhotoButton } from './photo-button';
import { PlanButton } from './plan';
import { ReckonerChip } from './reckoner-chip';
import { useSmallScreen } from '../../parts/small-screen';
import { useJob } from '../job/job-context';
import type { CurrentStep } from './current-step';
import { SpecimenChip, type SpecimenInHand } from './specimen';
import { CHIP, WantChips } from './wants';

export interface TestHeadProps {
  readonly current: CurrentStep;
  readonly wants: readonly Want[];
  /** Of which thing the figures are; absent where only this machine can be meant. */
  readonly other: SpecimenInHand | undefined;
  readonly onZero: () => void;
}

export function TestHead({ current, wants, other, onZero }: TestHeadProps) {
  const { sheet, state } = useJob();
  const { test } = current.step;
  const point = findPoint(test, current.step.point);
  const fn = isMeasured(test) && point ? functionOf(test, point) : undefined;
  const limits = isMeasured(test) && point ? limitsAt(sheet, state, test, point) : undefined;
  const number = state.meter && limits && fn === 'ohm' && buzzerMisleads(state.meter, limits);
  const small = useSmallScreen();
  const { energy, state: wanted } = wantsOf(sheet, test, point);
  return (
    <header>
      <div className="flex items-start justify-between gap-3">
        <h1 className="m-0 min-w-0 text-[25px] leading-tight font-bold max-lg:text-[18px]">
          {test.title}
        </h1>
        <span className="flex shrink-0 items-center gap-1 max-lg:hidden">
          {!small && <PhotoButton step={current.step} />}
          <ReckonerChip />
          <PlanButton current={current} />
        </span>
        {fn && (
          <span className="shrink-0 pt-0.5 text-[15px] text-soft lg:hidden">
            meter on <strong className="text-ink">{METER_FUNCTIONS[fn].words}</strong>
          </span>
        )}
      </div>
      {test.why && <p className="m-0 text-[15px] text-soft max-lg:hidden">{test.why}</p>}
      <ul
        className="m-0 mt-2 mb-3 flex list-none flex-wrap items-center gap-2 p-0 max-lg:my-1 max-lg:flex-nowrap max-lg:overflow-x-auto"
        aria-label="Before you touch"
      >
        {wanted.energy === 'dead' && (
          <li className={`${CHIP} border-hair bg-card max-lg:hidden`}>
            unit <strong>{energy === 'any' ? 'as it stands' : stateName(wanted)}</strong>
          </li>
        )}
        {fn && (
          <li className={`${CHIP} border-hair bg-card max-lg:hidden`}>
            {METER_FUNCTIONS[fn].metered && 'meter on '}
            <strong>{METER_FUNCTIONS[fn].words}</strong>
          </li>
        )}
        <WantChips current={current} wants={wants} />
        {fn && other && <SpecimenChip {...other} />}
        {test.carry && (
          <li className={`${CHIP} border-hair bg-card`}>
            bring <strong>{test.carry.join(', ')}</strong>
          </li>
        )}
        {isMeasured(test) && test.settle !== undefined && (
          <li className={`${CHIP} border-hair bg-card max-lg:hidden`}>let it settle</li>
        )}
        {number && (
          <li className={`${CHIP} border-hair bg-card max-lg:hidden`}>
            the number, not the buzzer
          </li>
        )}
        <LeadChip test={test} onZero={onZero} />

        {fn && METER_FUNCTIONS[fn].metered && (
          <li className="max-lg:hidden">
            <MeterChip />
          </li>
        )}
      </ul>
    </header>
  );
}

function LeadChip({ test, onZero }: { test: Test; onZero: () => void }) {
  const { state } = useJob();
  if (!isMeasured(test) || test.function !== 'ohm') return null;
  const { expect } = test;
  const limit =
    expect.kind === 'nominal'
      ? expect.value
      : expect.kind === 'between' || expect.kind === 'atMost'
        ? expect.high
        : Infinity;
  if (limit >= LEADS_MATTER_BELOW) return null;
  return (
    <li>
      <button
        type="button"
        onClick={onZero}
        className={`${CHIP} min-h-11 cursor-pointer ${state.lead ? 'border-jade text-jade' : 'border-marigold bg-marigold-tint text-ink'}`}
      >
        {state.lead ? `✓ leads ${state.lead.value} Ω` : '☐ zero the leads'}
      </button>
    </li>
  );
}
