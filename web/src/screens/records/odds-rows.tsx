/** A sheet's odds beside what its proven jobs make of them: a tick the sheet's, a bar what was learnt with its interval. */
import type { LearntResource } from '@jeitinho/core';
import { percent } from '../../parts/percent';

type FaultOdds = LearntResource['faults'][number];

export function OddsRows({ faults }: { readonly faults: readonly FaultOdds[] }) {
  const most = Math.max(...faults.map(({ own, interval }) => Math.max(own, interval[1])));
  const sorted = [...faults].sort((a, b) => b.share - a.share);
  return (
    <div
      className="relative mt-2 overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="Odds: rows"
    >
      <table className="w-full min-w-[640px] border-collapse text-[15px]">
        <thead>
          <tr className="border-b border-ink text-left">
            <th scope="col" className="py-1 pr-4 font-semibold">
              Fault
            </th>
            <th scope="col" className="py-1 pr-4 text-right font-semibold">
              Proven
            </th>
            <th scope="col" className="py-1 pr-4 text-right font-semibold">
              The sheet’s
            </th>
            <th scope="col" className="py-1 pr-4 text-right font-semibold">
              Learnt
            </th>
            <th scope="col" className="py-1 pr-4 font-semibold">
              90 % within
            </th>
            <th scope="col" className="w-[34%] py-1 font-semibold">
              <span className="sr-only">Drawn</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {sorted.map((each) => (
            <tr key={each.fault} className="border-b border-hair">
              <th scope="row" className="py-1.5 pr-4 text-left font-normal">
                {each.name}
              </th>
              <td className="figure py-1.5 pr-4 text-right">
                {each.count < 0.05 ? '–' : each.count.toFixed(1)}
              </td>
              <td className="figure py-1.5 pr-4 text-right text-soft">{percent(each.own)}</td>
              <td className="figure py-1.5 pr-4 text-right font-semibold">{percent(each.share)}</td>
              <td className="figure py-1.5 pr-4 whitespace-nowrap text-soft">
                {each.aside
                  ? 'set aside'
                  : `${percent(each.interval[0])} to ${percent(each.interval[1])}`}
              </td>
              <td className="py-1.5">
                <Drawn odds={each} most={most} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Drawn({
  odds: { own, share, interval },
  most,
}: {
  readonly odds: FaultOdds;
  readonly most: number;
}) {
  const at = (p: number) => (p / most) * 100;
  return (
    <svg
      viewBox="0 0 104 16"
      preserveAspectRatio="none"
      className="block h-6 w-full"
      aria-hidden="true"
    >
      <rect x="0" y="5" width={at(share)} height="6" fill="var(--jade)" />
      <line
        x1={at(interval[0])}
        x2={at(interval[1])}
        y1="8"
        y2="8"
        stroke="var(--ink)"
        strokeWidth="1.4"
        vectorEffect="non-scaling-stroke"
      />
      {interval.map((end, i) => (
        <line
          key={i}
          x1={at(end)}
          x2={at(end)}
          y1="5"
          y2="11"
          stroke="var(--ink)"
          strokeWidth="1.4"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <line
        x1={at(own)}
        x2={at(own)}
        y1="1"
        y2="15"
        stroke="var(--copper)"
        strokeWidth="3.5"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
