/** When it happened to which unit, over the two years that are looked at: a line a unit, a mark a failure. */
import type { PatternResource } from '@jeitinho/core';
import { useNow } from '../../data/now';

const YEARS = 2;
const YEAR_MS = 365.25 * 86_400_000;
const [LEFT, WIDTH, ROW, HEAD] = [170, 560, 30, 22];

export function PatternStrip({
  events,
  label,
}: {
  readonly events: PatternResource['events'];
  readonly label: string;
}) {
  const now = useNow(3_600_000);
  const from = now - YEARS * YEAR_MS;
  const units = [...new Map(events.map(({ unit, label: name }) => [unit, name]))];
  const x = (at: number) => LEFT + ((at - from) / (now - from)) * WIDTH;
  const height = HEAD + units.length * ROW;
  const quarters = quartersBetween(from, now);
  return (
    <div className="mt-2 overflow-x-auto" tabIndex={0} role="region" aria-label={`When: ${label}`}>
      <svg
        viewBox={`0 0 ${LEFT + WIDTH + 20} ${height}`}
        className="min-w-[520px] max-w-[820px]"
        role="img"
        aria-label={`${events.length} marks on ${units.length} lines over two years`}
      >
        {quarters.map(({ at, words }) => (
          <g key={at}>
            <line x1={x(at)} x2={x(at)} y1={HEAD - 4} y2={height} stroke="var(--hair)" />
            <text x={x(at)} y={14} fontSize="12" fill="var(--soft)" textAnchor="middle">
              {words}
            </text>
          </g>
        ))}
        {units.map(([unit, name], i) => {
          const y = HEAD + i * ROW + ROW / 2;
          return (
            <g key={unit}>
              <text x={0} y={y + 5} fontSize="14" fill="var(--ink)">
                {name.length > 24 ? `${name.slice(0, 23)}…` : name}
              </text>
              <line x1={LEFT} x2={LEFT + WIDTH} y1={y} y2={y} stroke="var(--soft)" />
              {events
                .filter((each) => each.unit === unit)
                .map(({ job, at }) => (
                  <path
                    key={job}
                    d={`M${x(Date.parse(at))} ${y - 9} l8 9 l-8 9 l-8 -9 z`}
                    fill="var(--brick)"
                    stroke="var(--card)"
                    strokeWidth="2"
                  />
                ))}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** First days of every other quarter: `Jan 2026`. */
function quartersBetween(from: number, to: number): { at: number; words: string }[] {
  const month = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric' });
  const start = new Date(from);
  return Array.from({ length: 9 }, (_, i) =>
    new Date(start.getFullYear(), Math.floor(start.getMonth() / 3) * 3 + 3 * (i + 1), 1).getTime(),
  )
    .filter((at, i) => at < to && i % 2 === 0)
    .map((at) => ({ at, words: month.format(at) }));
}
