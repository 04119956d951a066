/** How belief moved over the visit: a line for each suspect, from the sheet's odds to how it stands. */
import { shareOf, whoKey, type InFull, type Leader, type Shares } from '@jeitinho/core/diagnose';
import { percent } from '../../parts/percent';
import { evidenceWords } from '../job/evidence-words';
import { whoWords } from './who-words';

const WIDTH = 720;
const HEIGHT = 220;
/** Room for the scale at the left and for the last point at the right. */
const [LEFT, RIGHT, TOP, BOTTOM] = [44, 14, 12, 26];
/** A stroke of its own for each line, so that they are told apart without colour. */
const STROKES = [
  { dash: undefined, width: 3.5, mark: 'square' },
  { dash: '9 4', width: 2.5, mark: 'ring' },
  { dash: '2 4', width: 2.5, mark: 'diamond' },
  { dash: '12 4 2 4', width: 2, mark: 'cross' },
  { dash: '5 3', width: 1.5, mark: 'dot' },
] as const;

interface Line {
  readonly who: Leader;
  readonly at: readonly number[];
}

export function BeliefChart({
  full,
  shown,
}: {
  readonly full: InFull;
  readonly shown: readonly Leader[];
}) {
  const stations: readonly Shares[] = [full.arrival, ...full.rows.map(({ after }) => after)];
  const lines = shown.map((who): Line => ({ who, at: stations.map((each) => shareOf(each, who)) }));
  const x = (i: number) => LEFT + (i / (stations.length - 1)) * (WIDTH - LEFT - RIGHT);
  const y = (p: number) => TOP + (1 - p) * (HEIGHT - TOP - BOTTOM);
  return (
    <section aria-labelledby="moved-title" className="mt-6">
      <h2 id="moved-title" className="m-0 text-[19px] font-bold">
        How belief moved
      </h2>
      <figure className="m-0 mt-2">
        <svg
          role="img"
          aria-label={lines
            .map(
              ({ who, at }) =>
                `${whoWords(who)}: from ${percent(at[0]!)} to ${percent(at.at(-1)!)}`,
            )
            .join('; ')}
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className="block h-auto w-full max-w-[960px] text-ink"
        >
          {[0, 0.5, 1].map((p) => (
            <g key={p}>
              <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(p)} y2={y(p)} stroke="var(--hair)" />
              <text
                x={LEFT - 8}
                y={y(p) + 4}
                textAnchor="end"
                fontSize="12"
                fill="var(--soft)"
                className="figure"
              >
                {percent(p)}
              </text>
            </g>
          ))}
          {full.rows.map(({ item }, i) => (
            <g key={i}>
              <line
                x1={x(i + 1)}
                x2={x(i + 1)}
                y1={TOP}
                y2={HEIGHT - BOTTOM}
                stroke="var(--hair)"
                strokeDasharray="1 3"
              />
              {numbered(i, full.rows.length) && (
                <text
                  x={x(i + 1)}
                  y={HEIGHT - 8}
                  textAnchor="middle"
                  fontSize="12"
                  fill="var(--soft)"
                  className="figure"
                >
                  {i + 1}
                </text>
              )}
              <title>{evidenceWords(item)}</title>
            </g>
          ))}
          {[...lines.entries()].reverse().map(([n, { who, at }]) => (
            <g key={whoKey(who)} stroke={n === 0 ? 'var(--jade)' : 'currentColor'} fill="none">
              <polyline
                points={at.map((p, i) => `${x(i)},${y(p)}`).join(' ')}
                strokeWidth={STROKES[n]!.width}
                strokeDasharray={STROKES[n]!.dash}
                strokeLinejoin="round"
              />
              <Mark kind={STROKES[n]!.mark} x={x(at.length - 1)} y={y(at.at(-1)!)} />
            </g>
          ))}
        </svg>
        <figcaption className="mt-1 text-[14px]">
          <ul className="m-0 flex list-none flex-wrap gap-x-5 gap-y-1 p-0">
            {lines.map(({ who }, n) => (
              <li key={whoKey(who)} className="flex items-center gap-2">
                <svg aria-hidden="true" width="44" height="14">
                  <g stroke={n === 0 ? 'var(--jade)' : 'var(--ink)'} fill="none">
                    <line
                      x1="0"
                      x2="32"
                      y1="7"
                      y2="7"
                      strokeWidth={STROKES[n]!.width}
                      strokeDasharray={STROKES[n]!.dash}
                    />
                    <Mark kind={STROKES[n]!.mark} x={36} y={7} />
                  </g>
                </svg>
                {whoWords(who)}
              </li>
            ))}
          </ul>
          <p className="m-0 mt-1 text-soft">
            At the left by the sheet’s odds alone; then after each finding, numbered as in the
            table.
          </p>
        </figcaption>
      </figure>
    </section>
  );
}

/** Where there are many, each fifth or twentieth only. */
const numbered = (i: number, of: number): boolean =>
  of <= 20 || (i + 1) % (of <= 100 ? 5 : 20) === 0;

interface MarkProps {
  readonly kind: (typeof STROKES)[number]['mark'];
  readonly x: number;
  readonly y: number;
}

function Mark({ kind, x, y }: MarkProps) {
  switch (kind) {
    case 'square':
      return <rect x={x - 5} y={y - 5} width="10" height="10" fill="var(--jade)" stroke="none" />;
    case 'ring':
      return <circle cx={x} cy={y} r="4.5" fill="var(--paper)" strokeWidth="2" />;
    case 'diamond':
      return (
        <path
          d={`M${x} ${y - 6} L${x + 6} ${y} L${x} ${y + 6} L${x - 6} ${y} Z`}
          fill="var(--paper)"
          strokeWidth="2"
        />
      );
    case 'cross':
      return (
        <path
          d={`M${x - 5} ${y - 5} L${x + 5} ${y + 5} M${x - 5} ${y + 5} L${x + 5} ${y - 5}`}
          strokeWidth="2"
        />
      );
    case 'dot':
      return <circle cx={x} cy={y} r="3.5" fill="currentColor" stroke="none" />;
  }
}
