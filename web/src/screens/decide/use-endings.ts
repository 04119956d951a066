/** What is ticked on Decide, kept on the device while it is being said. */
import { headlineOf, leadingPart } from '@jeitinho/core/diagnose';
import { endingOwes, type Ending } from '@jeitinho/core/job';
import { useDraft } from '../../data/draft';
import { useAssessment, useJob } from '../job/job-context';

export interface Endings {
  readonly chosen: readonly Ending[];
  readonly find: (like: Ending) => Ending | undefined;
  /** Ticks it, or takes the tick away. */
  readonly toggle: (ending: Ending) => void;
  /** Says more of one that is ticked. */
  readonly say: (ending: Ending) => void;
  /** The first question that is left open; undefined where all is said. */
  readonly owes: string | undefined;
  /** Whether exactly this was decided. */
  readonly settled: boolean;
  readonly drop: () => void;
}

/** Of one kind there is one, except for parts and repairs, which have names. */
const same = (a: Ending, b: Ending): boolean =>
  a.kind === b.kind &&
  (a.kind !== 'replace' || a.part === b.part) &&
  (a.kind !== 'repair' || a.repair === b.repair);

export function useEndings(): Endings {
  const { job, sheet, state } = useJob();
  const assessment = useAssessment();
  const [draft, setDraft] = useDraft(`endings.${job.id}`);
  const made = state.decision?.body.endings;
  // Until somebody chooses, the choice follows the evidence, which may still be arriving.
  const chosen = parse(draft) ?? made ?? proposed();

  function proposed(): Ending[] {
    const headline = headlineOf(assessment);
    const part = leadingPart(headline);
    if (part !== null) return [{ kind: 'replace', part }];
    if (headline.kind !== 'accused-fault') return [];
    const { id } = headline.leads.fault;
    const repair = sheet.repairs?.find(({ fixes }) => fixes.includes(id));
    return repair ? [{ kind: 'repair', repair: repair.id }] : [];
  }

  const keep = (endings: readonly Ending[]) => setDraft(JSON.stringify(endings));
  const find = (like: Ending) => chosen.find((each) => same(each, like));
  return {
    chosen,
    find,
    toggle: (ending) =>
      keep(find(ending) ? chosen.filter((each) => !same(each, ending)) : [...chosen, ending]),
    say: (ending) => keep(chosen.map((each) => (same(each, ending) ? ending : each))),
    owes: chosen.map((ending) => endingOwes(sheet, ending)).find((owed) => owed !== undefined),
    settled: made !== undefined && JSON.stringify(made) === JSON.stringify(chosen),
    drop: () => setDraft(''),
  };
}

/** @returns undefined where nothing is kept, or what is kept is of another program. */
function parse(draft: string): Ending[] | undefined {
  if (draft === '') return undefined;
  try {
    const kept: unknown = JSON.parse(draft);
    return Array.isArray(kept) ? (kept as Ending[]) : undefined;
  } catch {
    return undefined;
  }
}
