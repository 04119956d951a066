/**
 * A machine that was taken for dead shows volts again: said over every screen, in every tab, until it is
 * isolated anew. Loud once on each.
 */
import { lostWords } from '@jeitinho/core';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { beep, notify, shake } from '../data/alarm';
import type { LostProof } from '../data/clocks';
import { say } from '../data/speech';

/** Pixels that one bar takes of the screen's height. */
export const LOST_HEIGHT = 64;
/** Lost longer ago than this when first seen, it is told without noise. */
const STALE_MS = 10 * 60_000;

export function LostProofs({ lost }: { lost: readonly LostProof[] }) {
  useAlarm(lost);
  return lost.map((each) => (
    <div
      key={each.entry}
      role="alert"
      style={{ height: LOST_HEIGHT }}
      className="no-print sticky top-0 z-30 flex items-center gap-4 overflow-hidden bg-brick px-5 text-on-brick max-lg:px-3"
    >
      <p className="m-0 min-w-0 flex-1 text-[18px] leading-tight font-bold max-lg:text-[15px]">
        Hands off. {each.unit}: {lostWords(each)}
      </p>
      <Link
        to={`/jobs/${each.jobId}/safe`}
        // It stays on screen: its focus must not keep Enter from the step there.
        onClick={(event) => event.currentTarget.blur()}
        className="inline-flex min-h-11 shrink-0 items-center border border-on-brick px-4 font-semibold text-on-brick no-underline max-lg:px-3"
      >
        Isolate again
      </Link>
    </div>
  ));
}

function useAlarm(lost: readonly LostProof[]): void {
  const told = useRef(new Set<string>());
  useEffect(() => {
    for (const each of lost) {
      if (told.current.has(each.entry)) continue;
      told.current.add(each.entry);
      if (Date.now() - Date.parse(each.at) > STALE_MS) continue;
      const words = `Hands off. ${lostWords(each)}`;
      beep(8, 2300);
      shake();
      say(words);
      void notify(`${each.unit}: NOT PROVEN`, words, `lost-${each.entry}`);
    }
  }, [lost]);
}
