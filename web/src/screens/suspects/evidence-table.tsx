/** Findings down, suspects across: what each says of each, as a word; the number where one wants it. */
import { sentence } from '@jeitinho/core';
import {
  isFinding,
  whoKey,
  type FullRow,
  type InFull,
  type Leader,
  type Telling,
} from '@jeitinho/core/diagnose';
import { useState } from 'react';
import { percent } from '../../parts/percent';
import { evidenceWords } from '../job/evidence-words';
import { timesWords } from './factor-words';
import { whoWords } from './who-words';

export function EvidenceTable({
  full,
  shown,
}: {
  readonly full: InFull;
  readonly shown: readonly Leader[];
}) {
  const [numbers, setNumbers] = useState(false);
  const [silent, setSilent] = useState(false);
  const says = ({ item, tells }: FullRow) =>
    !isFinding(item) || shown.some((who) => tells[whoKey(who)]?.strength !== 'nothing');
  const quiet = full.rows.filter((row) => !says(row)).length;
  const shared = full.rows.some(({ tells }) => shown.some((who) => tells[whoKey(who)]?.shared));
  return (
    <section aria-labelledby="evidence-title" className="mt-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-5">
        <h2 id="evidence-title" className="m-0 text-[19px] font-bold">
          What each finding says
        </h2>
        <label className="flex min-h-11 cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            checked={numbers}
            onChange={(event) => setNumbers(event.target.checked)}
            className="size-5 accent-jade"
          />
          Numbers
        </label>
      </div>
      <div
        className="relative overflow-x-auto border-y border-ink"
        tabIndex={0}
        role="group"
        aria-label="Findings by suspects"
      >
        <table className="w-full border-collapse text-[15px]">
          <thead>
            <tr className="border-b border-ink align-bottom">
              <th scope="col" className="sticky left-0 z-10 bg-paper py-2 pr-3 text-left">
                Finding
              </th>
              {shown.map((who) => (
                <th
                  key={whoKey(who)}
                  scope="col"
                  className="min-w-[104px] px-2 py-2 text-left leading-tight"
                >
                  {whoWords(who)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {full.rows.map((row, i) =>
              silent || says(row) ? (
                <Row key={i} row={row} number={i + 1} shown={shown} numbers={numbers} />
              ) : null,
            )}
          </tbody>
          <tfoot>
            <tr className="border-t border-ink">
              <th scope="row" className="sticky left-0 z-10 bg-paper py-2 pr-3 text-left">
                How it stands
              </th>
              {shown.map((who) => (
                <td key={whoKey(who)} className="figure px-2 py-2 text-[20px] font-bold">
                  {percent(who.p)}
                </td>
              ))}
            </tr>
          </tfoot>
        </table>
      </div>
      {quiet > 0 && (
        <label className="mt-1 flex min-h-11 cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            checked={silent}
            onChange={(event) => setSilent(event.target.checked)}
            className="size-5 accent-jade"
          />
          {quiet === 1 ? 'One finding that says' : `${quiet} findings that say`} nothing of these
        </label>
      )}
      <p className="m-0 mt-2 text-[14px] text-soft">
        {numbers
          ? '×3 means: with this finding the odds are three times what they would be without it. '
          : 'Said beside all the other findings: what it adds to them. '}
        {shared && '≈ means that others say the same: by itself it would say so much.'}
      </p>
    </section>
  );
}

interface RowProps {
  readonly row: FullRow;
  /** As it is numbered along the chart. */
  readonly number: number;
  readonly shown: readonly Leader[];
  readonly numbers: boolean;
}

function Row({ row, number, shown, numbers }: RowProps) {
  const words = evidenceWords(row.item);
  const work = !isFinding(row.item);
  return (
    <tr className="border-b border-hair align-top">
      <th
        scope="row"
        colSpan={work ? shown.length + 1 : 1}
        className={`sticky left-0 z-10 max-w-[280px] min-w-[150px] py-2 pr-3 text-left font-normal ${work ? 'bg-hair px-2' : 'bg-paper'}`}
      >
        <span className="figure mr-2 text-[13px] text-soft">{number}</span>
        {sentence(words)}
        {work && ': from here on it is another machine'}
      </th>
      {!work &&
        shown.map((who) => (
          <td key={whoKey(who)} className="px-2 py-2">
            <Said tells={row.tells[whoKey(who)]} numbers={numbers} />
          </td>
        ))}
    </tr>
  );
}

const STEPS = { nothing: 0, slightly: 1, clearly: 2, strongly: 3 } as const;

/** Chevrons up for, down against, one for each grade: told without the colour too. */
function Said({
  tells,
  numbers,
}: {
  readonly tells: Telling | undefined;
  readonly numbers: boolean;
}) {
  if (!tells || tells.strength === 'nothing')
    return <span className="text-soft">{numbers && tells ? timesWords(tells.factor) : '·'}</span>;
  const { direction, strength, shared, factor } = tells;
  const towards = direction === 'for';
  return (
    <span className={towards ? 'text-brick' : 'text-jade'}>
      <Chevrons count={STEPS[strength]} up={towards} />
      {shared && (
        <>
          <span aria-hidden="true">≈ </span>
          <span className="sr-only">as others say too, </span>
        </>
      )}
      {numbers ? <span className="figure">{timesWords(factor)}</span> : `${strength} ${direction}`}
    </span>
  );
}

function Chevrons({ count, up }: { readonly count: number; readonly up: boolean }) {
  return (
    <svg
      aria-hidden="true"
      width="12"
      height="18"
      viewBox="0 0 12 18"
      className="mr-1.5 inline-block align-[-3px]"
    >
      {Array.from({ length: count }, (_, i) => {
        const y = 3 + i * 5;
        return (
          <path
            key={i}
            d={up ? `M1 ${y + 4} L6 ${y} L11 ${y + 4}` : `M1 ${y} L6 ${y + 4} L11 ${y}`}
            fill="none"
            stroke="currentColor"
            strokeWidth="2"
          />
        );
      })}
    </svg>
  );
}
