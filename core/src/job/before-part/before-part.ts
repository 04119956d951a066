/** What is owed before a new part is ordered or goes on: why the old one died, its load, and that it matches. */
import { findPart } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import type { Asked, Matched } from '../state/facts';
import type { JobState } from '../state/state';
import { loadsOf, type Load } from './loads';
import { asksMatch, matchOf, type Match } from './match';
import { whyAsksNow } from './why-asks';

export interface BeforePart {
  readonly asks: readonly { readonly ask: string; readonly said?: Asked }[];
  readonly loads: readonly Load[];
  /** Absent where the sheet holds nothing against it; without a verdict while nobody looked. */
  readonly match?: { readonly said?: Matched; readonly found?: Match };
  /** In words; empty where all is done. */
  readonly owed: readonly string[];
}

export function beforePart(sheet: Sheet, state: JobState, id: string): BeforePart {
  const part = findPart(sheet, id);
  const asks = whyAsksNow(sheet, state, id).map((ask) => {
    const said = state.asked.get(`${id} ${ask}`)?.body;
    return { ask, ...(said && { said }) };
  });
  const loads = loadsOf(sheet, state, id);
  const said = state.matched.get(id)?.body;
  const match =
    part && (asksMatch(part) || said)
      ? { ...(said && { said, found: matchOf(part, said) }) }
      : undefined;
  const name = part?.name ?? id;
  return {
    asks,
    loads,
    ...(match && { match }),
    owed: [
      ...asks.flatMap((each) => (each.said ? [] : [`${name}, why the old one died: ${each.ask}`])),
      ...loads.flatMap((load) =>
        load.is === 'sound'
          ? []
          : [
              load.is === 'bad'
                ? `${name}: ${load.fault.name} reads bad, and would kill the new one too`
                : `${name}: not proven that it is not ${load.fault.name}, which would kill the new one too`,
            ],
      ),
      ...(match && match.found?.verdict !== 'original' && match.found?.verdict !== 'fits'
        ? [`${name}: not held against what it must match`]
        : []),
    ],
  };
}
