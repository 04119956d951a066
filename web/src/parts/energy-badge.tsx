/** The energy state, always on screen: word, shape and colour. */
import { formatQuantity, type Energy } from '@jeitinho/core';
import { clockTime } from '../data/now';

const LOOK = {
  dead: { word: 'DEAD', ground: 'bg-ink text-paper' },
  live: { word: 'LIVE', ground: 'bg-brick text-on-brick' },
  'not-proven': { word: 'NOT PROVEN', ground: 'bg-marigold-tint text-marigold' },
} as const;

export function EnergyBadge({
  energy,
  pairs,
  compact = false,
}: {
  energy: Energy;
  /** How many pairs the sheet has to prove. */
  pairs: number;
  compact?: boolean;
}) {
  const { word, ground } = LOOK[energy.kind];
  return (
    <div
      role="status"
      aria-label={`Energy state: ${word}. ${energyDetail(energy, pairs)}`}
      className={`flex items-center gap-3 px-4 ${ground} ${compact ? 'min-h-10' : 'h-full'}`}
    >
      <EnergyShape kind={energy.kind} />
      <span className="font-bold tracking-wide whitespace-nowrap">{word}</span>
      <span className="text-[15px] whitespace-nowrap">{energyDetail(energy, pairs)}</span>
    </div>
  );
}

function energyDetail(energy: Energy, pairs: number): string {
  switch (energy.kind) {
    case 'dead':
      return `proven ${clockTime(energy.since!)}, ${pairs} ${pairs === 1 ? 'pair' : 'pairs'}`;
    case 'live':
      return energy.since ? `since ${clockTime(energy.since)}` : 'as found';
    case 'not-proven':
      if (energy.lost)
        return `${energy.lost.volts === 'OL' ? 'OL' : formatQuantity(energy.lost.volts, 'V')} came back ${clockTime(energy.lost.at)}`;
      return energy.isolated ? `${energy.proven.size} of ${pairs} pairs` : 'prove it again';
    default:
      energy.kind satisfies never;
      return '';
  }
}

/** Crossed square: dead. Solid with bolt edges: live. Dashed outline: not proven. */
function EnergyShape({ kind }: { kind: Energy['kind'] }) {
  return (
    <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true" className="shrink-0">
      {kind === 'live' ? (
        <path
          d="M2 2h18l-2.5 4.5L20 11l-2.5 4.5L20 20H2l2.5-4.5L2 11l2.5-4.5z"
          fill="currentColor"
        />
      ) : (
        <rect
          x="2"
          y="2"
          width="18"
          height="18"
          fill="none"
          stroke="currentColor"
          strokeWidth="2.2"
          strokeDasharray={kind === 'not-proven' ? '4 3.2' : undefined}
        />
      )}
      {kind === 'dead' && <path d="M2 20 20 2" stroke="currentColor" strokeWidth="2.2" />}
    </svg>
  );
}
