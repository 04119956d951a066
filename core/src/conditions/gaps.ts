/**
 * What keeps a sheet from proving its machine dead: a mains leg that is never measured, a store that no
 * pair drains, places nobody gave. The check of a sheet and the refusal of dead work say the same.
 */
import type { ProvePair, Sheet } from '../sheet/schema';
import { listedPairs } from './lift';
import { storesProvenBy } from './stores';

export interface ProveGap {
  /** JSON path in the sheet. */
  readonly path: string;
  /** What is wanting and how to mend it. */
  readonly message: string;
}

/** Every gap; the first is the one to tell. Empty for a sheet whose machine can be proven dead. */
export function proveGaps(sheet: Sheet): ProveGap[] {
  const { prove } = sheet.safety;
  if (!prove || prove.length === 0) {
    const gap = unlisted(sheet);
    return gap ? [gap] : forgottenStores(sheet, listedPairs(sheet));
  }
  return [...forgottenStores(sheet, prove), ...mainsGaps(sheet, prove)];
}

/** A machine without mains has no legs to prove; what is not stated is taken for mains. */
export function onMains({ equipment: { supply } }: Sheet): boolean {
  if (!supply) return true;
  return supply.hertz > 0 && !/\b(dc|battery)\b/i.test(supply.system);
}

function unlisted(sheet: Sheet): ProveGap | undefined {
  if (!sheet.safety.bus)
    return {
      path: '/safety/prove',
      message:
        'This sheet does not say how its machine is proven dead. List every pair under safety, “prove”: mains legs to each other and to frame on V~, stores of charge on V=.',
    };
  if (onMains(sheet))
    return {
      path: '/safety/prove',
      message:
        'This sheet does not say where the mains legs and the frame are probed, so its machine cannot be proven dead. Add those pairs on V~ under safety, “prove”, in the sheet, and open a visit on that revision.',
    };
  return undefined;
}

function forgottenStores(sheet: Sheet, prove: readonly ProvePair[]): ProveGap[] {
  const proven = new Set(prove.flatMap((pair) => storesProvenBy(sheet, pair)));
  return (sheet.safety.stores ?? []).flatMap((store, i) =>
    proven.has(store)
      ? []
      : [
          {
            path: `/safety/stores/${i}`,
            message: `“${store.name}” stays charged and no pair proves it drained. Add a pair on V= across it under safety, “prove”, that begins or ends at “${store.at}” or names it under “proves”.`,
          },
        ],
  );
}

function mainsGaps(sheet: Sheet, prove: readonly ProvePair[]): ProveGap[] {
  const ac = prove.filter((pair) => pair.function === 'V~');
  const groups = connected(ac);
  const unpaired = groups.flatMap((places) =>
    places.flatMap((a, i) =>
      places.slice(i + 1).flatMap((b) => (ac.some((pair) => joins(pair, a, b)) ? [] : [[a, b]])),
    ),
  );
  const missing = unpaired.map(([a, b]): ProveGap => ({
    path: '/safety/prove',
    message: `“${a}” to “${b}” is never measured: both are mains legs or frame here. Add that pair on V~ under safety, “prove”.`,
  }));
  if (missing.length > 0 || !onMains(sheet)) return missing;
  const wanted = legsOf(sheet) + 1;
  if (groups.some((places) => places.length >= wanted)) return [];
  return [
    {
      path: '/safety/prove',
      message: `A ${sheet.equipment.supply?.system ?? 'mains'} supply has ${wanted - 1} legs and a frame: each to each other and to frame makes ${(wanted * (wanted - 1)) / 2} pairs on V~. Add those that are missing under safety, “prove”.`,
    },
  ];
}

/** Legs of a supply as its words say: neutral counts as one, for it may carry volts too. */
export function legsOf({ equipment: { supply } }: Sheet): number {
  const words = supply?.system ?? '';
  if (/two legs|split|two-phase/i.test(words)) return 3;
  if (/three|3[- ]?ph/i.test(words)) return /neutral/i.test(words) ? 4 : 3;
  return 2;
}

const joins = ({ from, to }: ProvePair, a: string, b: string) =>
  (from === a && to === b) || (from === b && to === a);

/** Places by what they are measured against, directly or over others. */
function connected(pairs: readonly ProvePair[]): string[][] {
  const groups: Set<string>[] = [];
  for (const { from, to } of pairs) {
    const touching = groups.filter((group) => group.has(from) || group.has(to));
    const joined = new Set([...touching.flatMap((group) => [...group]), from, to]);
    for (const group of touching) groups.splice(groups.indexOf(group), 1);
    groups.push(joined);
  }
  return groups.map((group) => [...group]);
}
