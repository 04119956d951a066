/** A sheet's odds beside what its proven jobs make of them: a tick the sheet's, a bar what was learnt with its interval. */
import type { LearntResource } from '@jeitinho/core';
import { percent } from '../../parts/percent';
import { SmallTable } from './small-table';
import { NOTHING, SHARE, type Cell } from './table-rows';

type FaultOdds = LearntResource['faults'][number];

export function OddsRows({ faults }: { readonly faults: readonly FaultOdds[] }) {
  const most = Math.max(...faults.map(({ own, interval }) => Math.max(own, interval[1])));
  return (
    <SmallTable
      label="Odds"
      wide
      first={{ column: 3, down: true }}
      heads={[
        'Fault',
        { name: 'Proven', right: true },
        { name: 'The sheet’s', right: true, unit: SHARE },
        { name: 'Learnt', right: true, unit: SHARE },
        { name: '90 % within', right: true },
        { name: 'Drawn', drawn: true },
      ]}
      rows={faults.map((each) => [
        each.name,
        each.count < 0.05 ? NOTHING : { is: each.count, shown: each.count.toFixed(1) },
        { is: each.own, shown: <span className="text-soft">{percent(each.own)}</span> },
        { is: each.share, shown: <strong>{percent(each.share)}</strong> },
        within(each),
        { is: '', shown: <Drawn odds={each} most={most} /> },
      ])}
    />
  );
}

function within({ aside, interval: [low, high] }: FaultOdds): Cell {
  if (aside) return 'set aside';
  const shown = `${percent(low)} to ${percent(high)}`;
  return { is: shown, shown: <span className="whitespace-nowrap text-soft">{shown}</span> };
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
