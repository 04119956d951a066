/** Wires from the old board to the new: its terminals on either side, a line for each wire, ticked as it is moved. */
import type { Procedure } from '@jeitinho/core/sheet';

export type Wire = NonNullable<Procedure['wireMap']>[number];

export interface WireMapProps {
  readonly wires: readonly Wire[];
  readonly done: (index: number) => boolean;
  readonly onTurn: (index: number) => void;
}

/** px: a thumb’s height for each wire, and the width in which the lines cross. */
const ROW = 60;
const ACROSS = 90;

/** Terminals of the new board, each once, in the order in which they come; several wires may share one. */
export const terminalsOf = (wires: readonly Wire[]): string[] => [
  ...new Set(wires.flatMap(({ to }) => to ?? [])),
];

/** What is done with a wire that finds no terminal, and with a terminal that gets no wire. */
export const loneWords = ({ from, to }: Wire): string | undefined =>
  to === undefined
    ? 'no terminal there: insulate it'
    : from === undefined
      ? 'stays empty'
      : undefined;

/** Where two wires would go onto one terminal, or leave from one: looked at twice. */
export const sharedIn = (names: readonly string[]): ReadonlySet<string> =>
  new Set(names.filter((name, i) => names.indexOf(name) !== i));

export function WireMap({ wires, done, onTurn }: WireMapProps) {
  const terminals = terminalsOf(wires);
  const moved = wires.filter((_, i) => done(i)).length;
  const shared = sharedIn(wires.flatMap(({ to }) => to ?? []));
  const empty = new Set(wires.flatMap(({ from, to }) => (from === undefined && to ? [to] : [])));
  const lone = wires.filter((wire) => loneWords(wire) !== undefined).length;
  const height = Math.max(wires.length, terminals.length) * ROW;
  const middle = (row: number) => row * ROW + ROW / 2;
  return (
    <div className="mt-2">
      <p role="status" className="m-0 font-semibold">
        {moved === wires.length
          ? 'Every wire is moved.'
          : `${moved} of ${wires.length} wires moved. One at a time.`}
        {lone > 0 && (
          <span className="font-normal text-marigold">
            {' '}
            {lone === 1 ? 'One has no mate' : `${lone} have no mate`}: look before you cut.
          </span>
        )}
      </p>
      <div
        className="mt-1 grid items-start"
        style={{ gridTemplateColumns: `minmax(0,1fr) ${ACROSS}px minmax(0,0.7fr)` }}
      >
        <ul aria-label="Wires, old to new" className="m-0 list-none p-0">
          {wires.map((each, i) => {
            const { from = each.to, to, wire, signal } = each;
            const alone = loneWords(each);
            return (
              <li key={i} style={{ height: ROW }} className="py-0.5">
                <button
                  type="button"
                  aria-pressed={done(i)}
                  aria-label={`${alone ? `${from}, ${alone}` : `${from} to ${to}`}${wire ? `, ${wire}` : ''}`}
                  onClick={() => onTurn(i)}
                  className="flex h-full w-full cursor-pointer items-center gap-2 border border-soft bg-paper px-2 text-left text-[15px] aria-pressed:border-2 aria-pressed:border-jade aria-pressed:bg-jade-tint"
                >
                  <span aria-hidden="true" className="w-4 text-jade">
                    {done(i) ? '✓' : ''}
                  </span>
                  <span className="min-w-0 flex-1 leading-tight">
                    <strong>{from}</strong>
                    <span className="block text-[13px] text-soft">
                      {[wire, signal, alone].filter(Boolean).join(', ')}
                    </span>
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
        <svg aria-hidden="true" width={ACROSS} height={height} viewBox={`0 0 ${ACROSS} ${height}`}>
          {wires.map(({ from, to }, i) =>
            to === undefined || from === undefined ? null : (
              <path
                key={i}
                d={`M0 ${middle(i)} C ${ACROSS / 2} ${middle(i)}, ${ACROSS / 2} ${middle(terminals.indexOf(to))}, ${ACROSS} ${middle(terminals.indexOf(to))}`}
                fill="none"
                stroke={done(i) ? 'var(--jade)' : 'var(--copper)'}
                strokeWidth={done(i) ? 4 : 2}
                strokeDasharray={done(i) ? undefined : '6 4'}
              />
            ),
          )}
        </svg>
        <ul aria-hidden="true" className="m-0 list-none p-0">
          {terminals.map((name) => (
            <li key={name} style={{ height: ROW }} className="py-0.5">
              <span
                className={`flex h-full items-center border bg-board px-2 text-[15px] font-semibold ${empty.has(name) ? 'border-dashed border-soft text-soft' : 'border-ink'}`}
              >
                {name}
                {empty.has(name) && ' (empty)'}
              </span>
            </li>
          ))}
        </ul>
      </div>
      {shared.size > 0 && (
        <p className="m-0 mt-1 text-[15px] text-marigold">
          More than one wire goes to {[...shared].join(', ')}: look twice.
        </p>
      )}
    </div>
  );
}
