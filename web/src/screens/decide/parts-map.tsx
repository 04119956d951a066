/**
 * The machine as its sheet draws it: its boards with their connectors, the harnesses between them and what hangs
 * on them, each filled as high as it is likely to be to blame. A press chooses a part.
 */
import type { PartSuspect } from '@jeitinho/core/diagnose';
import type { Board, Sheet } from '@jeitinho/core/sheet';
import { PITCH, perRow } from '../../parts/board/geometry';
import { percent } from '../../parts/percent';

export interface PartsMapProps {
  readonly sheet: Sheet;
  readonly parts: readonly PartSuspect[];
  readonly isTicked: (part: string) => boolean;
  readonly onToggle: (part: string) => void;
}

/** A part below it is as good as cleared where a finding spoke for it. */
const CLEARED = 0.01;

export function PartsMap({ sheet, parts, isTicked, onToggle }: PartsMapProps) {
  const byId = new Map(parts.map((each) => [each.part.id, each]));
  const boards = sheet.boards.filter(({ part }) => part !== undefined && byId.has(part));
  const onBoards = new Set(boards.map(({ part }) => part));
  const links = (sheet.harnesses ?? []).filter(({ part }) => !onBoards.has(part));
  const linked = new Set(links.map(({ part }) => part));
  const others = parts.filter(({ part }) => !onBoards.has(part.id) && !linked.has(part.id));
  const tile = (suspect: PartSuspect, board?: Board) => (
    <Tile
      key={suspect.part.id}
      suspect={suspect}
      leads={suspect === parts[0] && suspect.p > 0.5}
      board={board}
      ticked={isTicked(suspect.part.id)}
      onToggle={() => onToggle(suspect.part.id)}
    />
  );
  return (
    <section aria-label="The machine" className="mt-4 max-lg:hidden">
      <div className="flex items-center">
        {boards.map((board, i) => {
          const link = links.find(({ joins }) => joinsBoth(joins, boards[i - 1], board));
          return (
            <div key={board.id} className={`flex min-w-0 items-center ${i > 0 ? 'flex-1' : ''}`}>
              {i > 0 && (
                <Link
                  link={link}
                  suspect={byId.get(link?.part ?? '')}
                  ticked={isTicked(link?.part ?? '')}
                  onToggle={() => onToggle(link?.part ?? '')}
                />
              )}
              {tile(byId.get(board.part!)!, board)}
            </div>
          );
        })}
      </div>
      <div className="mt-2 flex flex-wrap gap-2">{others.map((each) => tile(each))}</div>
    </section>
  );
}

type Harness = NonNullable<Sheet['harnesses']>[number];

const joinsBoth = (joins: readonly string[], a: Board | undefined, b: Board): boolean =>
  a !== undefined && [a, b].every(({ id }) => joins.some((pin) => pin.split('.')[0] === id));

interface LinkProps {
  readonly link: Harness | undefined;
  readonly suspect: PartSuspect | undefined;
  readonly ticked: boolean;
  readonly onToggle: () => void;
}

/** The wire between two boards, as thick as it is suspect. */
function Link({ link, suspect, ticked, onToggle }: LinkProps) {
  if (!link) return <span className="min-w-4 flex-1" />;
  const p = suspect?.p ?? 0;
  const wire = (
    <>
      <span className="px-1 text-[14px]">{link.name}</span>
      <span
        aria-hidden="true"
        className={p > 0.1 ? 'bg-brick' : 'bg-ink'}
        style={{ height: 2 + Math.round(p * 10) }}
      />
      {suspect && (
        <span className={`figure ${p > 0.5 ? 'text-[28px] font-bold' : 'text-[17px]'}`}>
          {percent(p)}
        </span>
      )}
    </>
  );
  const shape = 'flex min-w-24 flex-1 flex-col items-stretch text-center leading-tight';
  if (!suspect) return <span className={shape}>{wire}</span>;
  return (
    <button
      type="button"
      aria-pressed={ticked}
      onClick={onToggle}
      className={`${shape} min-h-11 cursor-pointer aria-pressed:outline-3 aria-pressed:outline-jade`}
    >
      {wire}
    </button>
  );
}

interface TileProps {
  readonly suspect: PartSuspect;
  readonly leads: boolean;
  /** Drawn where the part is a board. */
  readonly board: Board | undefined;
  readonly ticked: boolean;
  readonly onToggle: () => void;
}

function Tile({ suspect, leads, board, ticked, onToggle }: TileProps) {
  const { part, p, weights } = suspect;
  const cleared = p < CLEARED && weights.some(({ direction }) => direction === 'against');
  const shape = board ? 'h-32 w-44' : 'h-16 min-w-32 max-w-48 px-1';
  return (
    <button
      type="button"
      aria-pressed={ticked}
      onClick={onToggle}
      className={`relative flex cursor-pointer flex-col justify-center gap-1 overflow-hidden border bg-card p-2 text-left leading-tight ${shape} ${leads ? 'border-2 border-brick' : 'border-ink'} aria-pressed:outline-3 aria-pressed:outline-jade`}
    >
      <span
        aria-hidden="true"
        className="grow absolute inset-x-0 bottom-0 bg-brick-tint"
        style={{ height: `${p * 100}%` }}
      />
      {board && <Connectors board={board} />}
      <strong className="relative text-[15px]">{part.name}</strong>
      <span
        className={`figure relative ${leads ? 'text-[28px] font-bold' : 'text-[17px]'} ${cleared ? 'text-jade' : ''}`}
      >
        {cleared ? 'cleared' : percent(p)}
      </span>
    </button>
  );
}

/** The board’s connectors in their places, faint behind its name. */
function Connectors({ board }: { readonly board: Board }) {
  const [width, height] = board.size;
  return (
    <svg
      aria-hidden="true"
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="none"
      className="absolute inset-0 size-full fill-none stroke-hair"
    >
      {(board.connectors ?? []).map((connector) => {
        const across = perRow(connector);
        const rows = Math.ceil(connector.pins.length / across);
        const [x, y] = connector.at;
        return (
          <rect
            key={connector.id}
            x={x - PITCH / 2}
            y={y - PITCH / 2}
            width={across * PITCH}
            height={rows * PITCH}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
    </svg>
  );
}
