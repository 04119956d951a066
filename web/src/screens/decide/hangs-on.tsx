/** At what the best way would change: each price and the chance of who leads, with its break-even. */
import {
  breakEvens,
  knownOf,
  type Action,
  type BreakEven,
  type Plan,
  type ShopPrices,
} from '@jeitinho/core/diagnose';
import { useMemo, useState } from 'react';
import { money } from '../../parts/money';
import { percent } from '../../parts/percent';
import { useAssessment, useSettled } from '../job/job-context';
import { actionWords, planWords, visitWords } from './plan-words';

/** Rows of what the advice hangs on. */
const SHOWN = 6;

export interface HangsOnProps {
  readonly actions: readonly Action[];
  readonly shop: ShopPrices;
  readonly currency: string;
  readonly best: Plan;
}

/** Reckoned when somebody asks: a moment on a slow tablet. */
export function HangsOn(props: HangsOnProps) {
  const [open, setOpen] = useState(false);
  return (
    <details className="mt-1" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2.5 text-[15px]">
        At what this would change
      </summary>
      {open && <BreakEvens {...props} />}
    </details>
  );
}

function BreakEvens({ actions, shop, currency, best }: HangsOnProps) {
  const { sheet, state } = useSettled();
  const { suspects } = useAssessment();
  const leader = suspects[0]?.fault;
  const { inference } = knownOf(sheet, state);
  const rows = useMemo(
    () =>
      breakEvens(inference, actions, shop, leader?.id)
        .filter(({ below, above }) => below || above)
        .slice(0, SHOWN),
    [inference, actions, shop, leader],
  );
  if (rows.length === 0)
    return (
      <p className="m-0 text-[15px]">
        Nothing: whatever prices and chances are, the first visit stays the same.
      </p>
    );
  const most = Math.max(1, ...rows.map(({ swing }) => swing));
  return (
    <ul className="m-0 list-none p-0" aria-label={`What “${planWords(sheet, best)}” hangs on`}>
      {rows.map((row) => {
        const chance = row.input.kind === 'chance';
        const hours = row.input.kind === 'shop' && row.input.name === 'handOverHours';
        const figure = (x: number) =>
          chance ? percent(x) : hours ? `${Math.round(x)} h` : money(x, currency);
        return (
          <li key={JSON.stringify(row.input)} className="border-b border-hair py-2 text-[15px]">
            <span className="flex justify-between gap-4">
              <span>{inputWords(sheet, row, leader?.name)}</span>
              <span className="figure">{figure(row.now)}</span>
            </span>
            <span className="block h-[5px] bg-hair" aria-hidden="true">
              <span
                className="block h-full bg-copper"
                style={{ width: `${(row.swing / most) * 100}%` }}
              />
            </span>
            <span className="block text-[14px] text-soft">{turnWords(sheet, row, figure)}</span>
          </li>
        );
      })}
    </ul>
  );
}

const SHOP_WORDS: Readonly<Record<keyof ShopPrices, string>> = {
  rate: 'An hour of work',
  giveUp: 'Handing over, or a new unit',
  visit: 'Another visit',
  callback: 'Coming back for what failed again',
  downtime: 'An hour without the machine',
  handOverHours: 'Hours until somebody else has it running',
};

type Named = Parameters<typeof actionWords>[0];

function inputWords(sheet: Named, { input }: BreakEven, leader: string | undefined): string {
  if (input.kind === 'shop') return SHOP_WORDS[input.name];
  if (input.kind === 'chance') return `Chance of “${leader}”`;
  return `${actionWords(sheet, input.action)}, its price`;
}

function turnWords(
  sheet: Named,
  { below, above }: BreakEven,
  figure: (x: number) => string,
): string {
  const then = (visit: readonly Action[]) =>
    visit.length === 0 ? 'nothing would be done' : `first ${visitWords(sheet, visit)}`;
  return [
    below && `Below ${figure(below.at)}: ${then(below.then)}.`,
    above && `Above ${figure(above.at)}: ${then(above.then)}.`,
  ]
    .filter(Boolean)
    .join(' ');
}
