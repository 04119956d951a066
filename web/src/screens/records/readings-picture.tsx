/** One reading over the years against its limits: out of them is brick and a diamond, over range stands on top. */
import { formatQuantity, type YearsResource } from '@jeitinho/core';
import { bandWords } from '@jeitinho/core/judge';
import { longDay } from '../../data/now';
import { decades, niceSteps, scaleOf } from './scale';

type Series = YearsResource['series'][number];
type Point = Series['points'][number];

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [860, 300, 92, 24, 16, 34];

export function ReadingsPicture({ series: { points, unit, title } }: { readonly series: Series }) {
  const times = points.map(({ at }) => Date.parse(at));
  const [first, last] = [Math.min(...times), Math.max(...times)];
  const span = Math.max(last - first, 1);
  const x = (at: string) =>
    LEFT + 14 + ((Date.parse(at) - first) / span) * (WIDTH - LEFT - RIGHT - 28);
  const figures = points.flatMap(({ value, low, high }) =>
    [value, low, high].filter((each) => each !== null && each !== undefined),
  );
  const scale = scaleOf(figures);
  const y = (value: number) => TOP + (1 - scale.at(value)) * (HEIGHT - TOP - BOTTOM);
  const ticks = scale.log ? decades(scale) : niceSteps(scale);
  const read = points.filter(({ value }) => value !== null);
  return (
    <figure className="m-0 mt-2 border border-hair bg-card p-2">
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={`Drawn: ${title}`}>
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className="w-full min-w-[720px]"
          role="img"
          aria-label={`${title}: ${points.length} readings from ${longDay(points[0]!.at)} to ${longDay(points.at(-1)!.at)}; the table below has each.`}
        >
          {ticks.map((value) => (
            <g key={value}>
              <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(value)} y2={y(value)} stroke="var(--hair)" />
              <text x={LEFT - 8} y={y(value) + 5} fontSize="14" fill="var(--soft)" textAnchor="end">
                {formatQuantity(value, unit as 'V', 3)}
              </text>
            </g>
          ))}
          {yearsBetween(first, last).map((at) => (
            <text
              key={at}
              x={x(new Date(at).toISOString())}
              y={HEIGHT - 8}
              fontSize="14"
              fill="var(--soft)"
              textAnchor="middle"
            >
              {new Date(at).getFullYear()}
            </text>
          ))}
          <Limit points={points} unit={unit} which="low" x={x} y={y} />
          <Limit points={points} unit={unit} which="high" x={x} y={y} />
          {[...new Set(read.map(({ label }) => label))].map((label) => (
            // Each machine by itself.
            <polyline
              key={label}
              points={read
                .filter((each) => each.label === label)
                .map(({ at, value, after }) => `${x(at) + (after ? 11 : 0)},${y(value!)}`)
                .join(' ')}
              fill="none"
              stroke="var(--soft)"
              strokeWidth="1.5"
            />
          ))}
          {points.map((point) => (
            <Mark
              key={`${point.job} ${point.at} ${point.after}`}
              point={point}
              // As it was left stands a little after how it was found.
              x={x(point.at) + (point.after ? 11 : 0)}
              y={point.value === null ? TOP + 6 : y(point.value)}
            />
          ))}
        </svg>
      </div>
      <figcaption className="px-2 pb-1 text-[14px] text-soft">
        Broken line: the limit of the service sheet, as it was then. Diamond: out of it. Square on
        top: over the meter’s range. Where something was done, the mark after it is how it was left.
      </figcaption>
    </figure>
  );
}

function Limit({
  points,
  unit,
  which,
  x,
  y,
}: {
  readonly points: readonly Point[];
  readonly unit: string;
  readonly which: 'low' | 'high';
  readonly x: (at: string) => number;
  readonly y: (value: number) => number;
}) {
  const held = points.filter((point) => point[which] !== undefined);
  if (held.length === 0) return null;
  const own = held.map((point) => `${x(point.at)},${y(point[which]!)}`);
  const [start, end] = [held[0]!, held.at(-1)!];
  const line = [`${LEFT},${y(start[which]!)}`, ...own, `${WIDTH - RIGHT},${y(end[which]!)}`].join(
    ' ',
  );
  return (
    <g>
      <polyline
        points={line}
        fill="none"
        stroke="var(--copper)"
        strokeWidth="2.5"
        strokeDasharray="8 5"
      />
      <text
        x={WIDTH - RIGHT}
        y={y(end[which]!) + (which === 'low' ? 17 : -7)}
        fontSize="13"
        fill="var(--soft)"
        textAnchor="end"
      >
        {bandWords(
          which === 'low' ? end.low : undefined,
          which === 'high' ? end.high : undefined,
          unit as 'V',
        )}
      </text>
    </g>
  );
}

function Mark({ point, x, y }: { readonly point: Point; readonly x: number; readonly y: number }) {
  const { value, verdict } = point;
  const paint =
    verdict === 'out' ? 'var(--brick)' : verdict === 'in' ? 'var(--jade)' : 'var(--marigold)';
  if (value === null)
    return (
      <rect
        x={x - 7}
        y={y - 7}
        width="14"
        height="14"
        fill={paint}
        stroke="var(--card)"
        strokeWidth="2"
      />
    );
  if (verdict === 'out')
    return (
      <path
        d={`M${x} ${y - 9} l9 9 l-9 9 l-9 -9 z`}
        fill={paint}
        stroke="var(--card)"
        strokeWidth="2"
      />
    );
  return <circle cx={x} cy={y} r="7" fill={paint} stroke="var(--card)" strokeWidth="2" />;
}

/** First days of years within; the ends themselves where there is none. */
function yearsBetween(first: number, last: number): number[] {
  const from = new Date(first).getFullYear() + 1;
  const to = new Date(last).getFullYear();
  const years = Array.from({ length: Math.max(0, to - from + 1) }, (_, i) =>
    new Date(from + i, 0, 1).getTime(),
  );
  return years.length > 0 ? years : [first];
}
