/** A path as one strip: what the current goes through, what was read there, and where it may be broken. */
import type { LinkState } from '@jeitinho/core/job';
import type { PathStop } from '@jeitinho/core/sheet';

export interface PathStripProps {
  /** What it carries, for those who hear it read. */
  readonly label: string;
  readonly stops: readonly PathStop[];
  /** Between each stop and the next; nothing known where absent. */
  readonly links?: readonly LinkState[];
  /** What stands below a stop: its reading. */
  readonly below?: (stop: number) => string | undefined;
  /** Whether a probe lies there now. */
  readonly touched?: (stop: PathStop) => boolean;
}

const LINE: Readonly<Record<LinkState | 'none', string>> = {
  whole: 'border-solid border-jade border-t-4',
  // Told by its dashes as well as by its colour.
  suspect: 'border-dashed border-brick border-t-4',
  unknown: 'border-solid border-soft border-t-2',
  none: 'border-transparent border-t-4',
};

const LINK_WORDS: Readonly<Record<LinkState, string>> = {
  whole: 'whole to here',
  suspect: 'may be broken before here',
  unknown: 'not known',
};

export function PathStrip({ label, stops, links, below, touched }: PathStripProps) {
  const link = (at: number): LinkState | 'none' =>
    at < 0 || at >= stops.length - 1 ? 'none' : (links?.[at] ?? 'unknown');
  return (
    // Long paths scroll sideways, by keyboard as well.
    <div
      role="region"
      aria-label={`Path: ${label}`}
      tabIndex={0}
      className="relative overflow-x-auto border border-hair bg-card px-2 py-2"
    >
      <ol className="m-0 flex list-none p-0">
        {stops.map((stop, i) => {
          const before = link(i - 1);
          const here = touched?.(stop) ?? false;
          return (
            <li
              key={i}
              className="flex min-w-[64px] flex-1 basis-0 flex-col items-stretch text-center"
            >
              <span
                className={`px-1 text-[14px] leading-tight ${stop.kind === 'wire' ? 'text-soft italic' : 'font-semibold'}`}
              >
                {stop.name}
              </span>
              <span aria-hidden="true" className="mt-auto flex h-7 items-center">
                <span className={`flex-1 ${LINE[before]}`} />
                <Symbol stop={stop} here={here} />
                <span className={`flex-1 ${LINE[link(i)]}`} />
              </span>
              <span className="figure min-h-5 px-1 text-[14px]">{below?.(i)}</span>
              {links && before !== 'none' && <span className="sr-only">{LINK_WORDS[before]}</span>}
              {here && <span className="sr-only">a probe lies here</span>}
            </li>
          );
        })}
      </ol>
    </div>
  );
}

/** A place is a ring, full where a probe lies; a joint a lozenge; a wire only its line. */
function Symbol({ stop, here }: { readonly stop: PathStop; readonly here: boolean }) {
  if (stop.kind === 'wire') return null;
  if (stop.kind === 'joint')
    return <span className="size-3 rotate-45 border-2 border-ink bg-card" />;
  const shape = stop.kind === 'mark' ? 'size-4' : 'size-4 rounded-full';
  return <span className={`${shape} border-2 border-ink ${here ? 'bg-jade' : 'bg-card'}`} />;
}
