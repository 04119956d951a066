/** A verdict as a tiny limit band: two posts and a dot. Always beside its word, so hidden from readers. */
import type { Verdict } from '@jeitinho/core/judge';

export interface MarkProps {
  readonly verdict: Verdict | 'void';
  /** Which side a reading fell to. */
  readonly outcome?: string;
  readonly edge?: boolean;
  readonly size?: number;
}

const COLOURS: Record<MarkProps['verdict'], string> = {
  in: 'var(--jade)',
  watch: 'var(--marigold)',
  out: 'var(--brick)',
  'cannot-tell': 'var(--marigold)',
  'not-settled': 'var(--soft)',
  void: 'var(--soft)',
};

/** Where the dot lies; posts stand at 9 and 23 of 32. */
function dotAt({ verdict, outcome, edge }: MarkProps): number {
  if (verdict === 'out' || verdict === 'watch') {
    const beyond = verdict === 'out' ? 5 : 4;
    return outcome === 'high' || outcome === 'open' ? 23 + beyond : 9 - beyond;
  }
  return edge ? 21 : 16;
}

export function VerdictMark(props: MarkProps) {
  const { verdict, size = 32 } = props;
  const colour = COLOURS[verdict];
  return (
    <svg
      width={size}
      height={size * 0.75}
      viewBox="0 0 32 24"
      aria-hidden="true"
      className="shrink-0"
    >
      <path d="M9 3v18M23 3v18" stroke={colour} strokeWidth="2.5" />
      {verdict === 'void' ? (
        <path d="M5 20 27 4" stroke={colour} strokeWidth="2.5" />
      ) : verdict === 'not-settled' ? (
        <path d="M12 12c2-5 4 5 8 0" fill="none" stroke={colour} strokeWidth="2.5" />
      ) : (
        <circle
          cx={dotAt(props)}
          cy="12"
          r={verdict === 'cannot-tell' ? 3.6 : 4}
          fill={verdict === 'cannot-tell' ? 'none' : colour}
          stroke={colour}
          strokeWidth={verdict === 'cannot-tell' ? 2 : 0}
        />
      )}
    </svg>
  );
}

export const VERDICT_TEXT: Record<MarkProps['verdict'], string> = {
  in: 'text-jade',
  watch: 'text-marigold',
  out: 'text-brick',
  'cannot-tell': 'text-marigold',
  'not-settled': 'text-soft',
  void: 'text-soft',
};
