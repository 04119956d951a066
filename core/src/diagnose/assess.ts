/** What the readings of a job say: ranked suspects with their evidence, and what is not proven. */
import { infer, type Belief, type Inference } from './belief';
import { accusedBy } from './accused';
import type { Finding } from './evidence';
import { modelOf, type DiagnosticModel } from './model';
import { leaveOneOut, surpriseIn, type Weight } from './weights';
import { observablesOf } from '../sheet/observables';
import { fastId, storeObservables } from '../sheet/store-observables';
import type { Part, Sheet } from '../sheet/schema';
import type { JobState, Taken } from '../job/state/state';
import type { EvidenceItem, Suspect } from './suspects';
import { notProvenOf, type NotProven } from './not-proven';
import { nth } from '../numeric/nth';

export interface PartSuspect {
  readonly part: Part;
  /** Probability that the part has a fault. */
  readonly p: number;
  /** Probability that replacing it alone mends the machine. */
  readonly fixed: number;
  readonly weights: readonly Weight[];
}

/** A probability, and what it was before the latest finding. */
export interface Moved {
  readonly p: number;
  readonly before: number;
}

export interface Assessment {
  readonly evidence: readonly EvidenceItem[];
  readonly belief: Belief;
  /** Likeliest first. */
  readonly suspects: readonly Suspect[];
  readonly parts: readonly PartSuspect[];
  readonly other: Moved;
  /** Nothing wrong while it was measured. */
  readonly sound: Moved;
  /** Faults that some reading or answer accuses; whoever leads beside them leads by elimination only. */
  readonly accused: ReadonlySet<string>;
  /** True while something not on this sheet is likelier than any fault that is. */
  readonly unexplained: boolean;
  /** A reading that quarrels with all the others and should be repeated. */
  readonly surprise?: { readonly item: EvidenceItem; readonly factor: number };
  readonly notProven: readonly NotProven[];
}

const models = new WeakMap<Sheet, DiagnosticModel>();

function modelFor(sheet: Sheet): DiagnosticModel {
  const known = models.get(sheet) ?? modelOf(sheet);
  models.set(sheet, known);
  return known;
}

/** Evidence in the order of the log. Void, repeated and withdrawn readings say nothing. */
export function evidenceOf(state: JobState, sheet?: Sheet): EvidenceItem[] {
  const codes = new Map(
    state.codes.filter((code) => code.listed).map((code) => [code.entry, code.listed!.code]),
  );
  const counted = new Map(
    state.taken.filter((taken) => taken.standing.kind === 'counts').map((t) => [t.entry, t]),
  );
  const seenCodes = new Set<string>();
  const named = new Set(sheet ? storeObservables(sheet).map(({ id }) => id) : []);
  return state.log.flatMap((entry): EvidenceItem[] => {
    const code = codes.get(entry.id);
    if (code !== undefined) {
      // The same code entered twice is one observation of the display.
      if (seenCodes.has(code)) return [];
      seenCodes.add(code);
      return [{ entry: entry.id, evidence: { code }, from: { kind: 'code', code } }];
    }
    const store = state.stores.find((each) => each.entry === entry.id);
    if (store && named.has(fastId(store.pair.id))) {
      const evidence = { test: fastId(store.pair.id), outcome: store.outcome };
      return [{ entry: entry.id, evidence, from: { kind: 'store', store } }];
    }
    const taken = counted.get(entry.id);
    if (!taken) return [];
    const groups = state.groups
      .filter((group) => group.entry === entry.id && !group.judgement.coarse)
      .map((group): EvidenceItem => ({
        entry: entry.id,
        evidence: { test: group.observable, p: group.judgement.p },
        from: { kind: 'group', group },
      }));
    const evidence = evidenceIn(taken);
    const own = evidence
      ? [{ entry: entry.id, evidence, from: { kind: 'taken' as const, taken } }]
      : [];
    return [...own, ...groups];
  });
}

/**
 * What a finding says to the suspects: the technician's own judgement goes before the limits'.
 * @returns undefined where the meter was too coarse to say anything.
 */
function evidenceIn(taken: Taken): Finding | undefined {
  const { observable: test, overruled } = taken;
  if (overruled?.as === 'good') return { test, outcome: 'ok' };
  const p = taken.kind === 'answer' ? { [taken.outcome]: 1 } : taken.judgement.p;
  if (overruled) return { test, p: withoutOk(p, outcomesOfTaken(taken)) };
  if (taken.kind === 'answer') return { test, outcome: taken.outcome };
  return taken.judgement.coarse ? undefined : { test, p, again: taken.agreeing };
}

/** Condemned: whatever it is, it is not `ok`; how it is wrong stays as the reading has it. */
function withoutOk(
  p: Readonly<Record<string, number>>,
  outcomes: readonly string[],
): Record<string, number> {
  const wrong = outcomes.filter((outcome) => outcome !== 'ok');
  const sum = wrong.reduce((total, outcome) => total + (p[outcome] ?? 0), 0);
  return Object.fromEntries(
    wrong.map((outcome) => [outcome, sum > 1e-6 ? (p[outcome] ?? 0) / sum : 1 / wrong.length]),
  );
}

const outcomesOfTaken = ({ test, observable }: Taken): readonly string[] =>
  observablesOf(test).find(({ id }) => id === observable)?.outcomes ?? [];

export function assess(sheet: Sheet, state: JobState): Assessment {
  const model = modelFor(sheet);
  const evidence = evidenceOf(state, sheet);
  const inference = infer(
    model,
    evidence.map((item) => item.evidence),
  );
  const { belief } = inference;
  const before =
    evidence.length === 0
      ? belief
      : infer(
          model,
          // One reading may complete a rule as well: both came with the same entry.
          evidence
            .filter((item) => item.entry !== evidence.at(-1)!.entry)
            .map((item) => item.evidence),
        ).belief;
  const weights = leaveOneOut(inference);
  const suspects = rankSuspects(sheet, belief, before, weights.faults);
  const parts = sheet.parts
    .map((part) => ({
      part,
      p: belief.parts[part.id] ?? 0,
      fixed: belief.fixed[part.id] ?? 0,
      weights: weights.parts[part.id] ?? [],
    }))
    .sort((a, b) => b.p - a.p);
  const surprise = namedSurprise(inference, evidence);
  return {
    evidence,
    belief,
    suspects,
    parts,
    other: { p: belief.other, before: before.other },
    sound: { p: belief.sound, before: before.sound },
    accused: new Set(accusedBy(inference)),
    unexplained:
      belief.sound < belief.other && suspects.every((suspect) => suspect.p < belief.other),
    ...(surprise && { surprise }),
    notProven: notProvenOf(sheet, state, suspects, evidence),
  };
}

function rankSuspects(
  sheet: Sheet,
  belief: Belief,
  before: Belief,
  weights: Record<string, Weight[]>,
): Suspect[] {
  return sheet.faults
    .map((fault) => ({
      fault,
      part: sheet.parts.find((part) => part.id === fault.part)!,
      p: belief.faults[fault.id] ?? 0,
      before: before.faults[fault.id] ?? 0,
      weights: weights[fault.id] ?? [],
    }))
    .sort((a, b) => b.p - a.p);
}

function namedSurprise(inference: Inference, evidence: readonly EvidenceItem[]) {
  const found = surpriseIn(inference);
  return found && { item: nth(evidence, found.evidence), factor: found.factor };
}
