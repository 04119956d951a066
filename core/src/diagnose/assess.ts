/** What the readings of a job say: ranked suspects with their evidence, and what is not proven. */
import { infer, type Belief, type Inference } from './belief';
import { accusedBy } from './accused';
import type { CarriedItem } from '../job/work/continued';
import { carriedInto } from './carried';
import { evidenceName } from './evidence-name';
import { evidenceOf } from './evidence-of';
import { modelOf, type DiagnosticModel } from './model';
import { leaveOneOut, surpriseIn, type Weight } from './weights';
import type { Part, Sheet, Test } from '../sheet/schema';
import { comesAndGoes } from './intermittence';
import { proofOf } from '../job/findings/proof';
import { testsOf } from '../sheet/all-tests';
import { UNSTEADY } from '../judge/span';
import { findPart } from '../sheet/lookup';
import { observablesOf, ruleObservables } from '../sheet/observables';
import type { JobState } from '../job/state/state';
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
  /** Tests that read bad and good with no work between them. */
  readonly comesAndGoes: readonly Test[];
  /** The part fitted last, where something read bad since. */
  readonly notHelped?: Part;
  readonly notProven: readonly NotProven[];
}

const models = new WeakMap<Sheet, DiagnosticModel>();

function modelFor(sheet: Sheet): DiagnosticModel {
  const known = models.get(sheet) ?? modelOf(sheet);
  models.set(sheet, known);
  return known;
}

/** What the visit that this one goes on from had found and done, before everything of this one. */
const carriedEvidence = (model: DiagnosticModel, { continues, log }: JobState): EvidenceItem[] =>
  continues
    ? carriedInto(model, continues).map(({ evidence, words }) => ({
        entry: log[0]?.id ?? '',
        evidence,
        from: { kind: 'carried', words, finding: 'test' in evidence },
      }))
    : [];

/** What another visit would go on from. */
export function carriedFrom(sheet: Sheet, state: JobState): CarriedItem[] {
  const items = [...carriedEvidence(modelFor(sheet), state), ...evidenceOf(state, sheet)];
  return items.map(({ evidence, from }) => ({
    // The log takes it as it is; nobody shares it.
    evidence: structuredClone(evidence) as CarriedItem['evidence'],
    words: from.kind === 'carried' ? from.words : evidenceName(from, sheet).slice(0, 400),
  }));
}

const unsteady = new WeakMap<DiagnosticModel, Map<string, DiagnosticModel>>();

/** “Unsteady” is a class of a test only where such a figure was taken. Kept: a model is costly to prepare. */
function withUnsteady(model: DiagnosticModel, evidence: readonly EvidenceItem[]): DiagnosticModel {
  const outcomes = new Map(model.tests.map((test) => [test.id, test.outcomes]));
  const tests = new Set(
    evidence.flatMap(({ evidence: item }) =>
      'p' in item && UNSTEADY in item.p && !outcomes.get(item.test)?.includes(UNSTEADY)
        ? [item.test]
        : [],
    ),
  );
  if (tests.size === 0) return model;
  const key = [...tests].sort().join(' ');
  const kept = unsteady.get(model) ?? new Map<string, DiagnosticModel>();
  const made = kept.get(key) ?? {
    ...model,
    tests: model.tests.map((test) =>
      tests.has(test.id) ? { ...test, outcomes: [...test.outcomes, UNSTEADY] } : test,
    ),
  };
  unsteady.set(model, kept.set(key, made));
  return made;
}

interface Known {
  readonly evidence: readonly EvidenceItem[];
  readonly inference: Inference;
}

const inferred = new WeakMap<JobState, Map<Sheet, Known>>();

/** What a job's findings and work say of its machine; reckoned once for a state. */
export function knownOf(sheet: Sheet, state: JobState): Known {
  const bySheet = inferred.get(state) ?? new Map<Sheet, Known>();
  inferred.set(state, bySheet);
  const before = bySheet.get(sheet);
  if (before) return before;
  const plain = modelFor(sheet);
  const evidence = [...carriedEvidence(plain, state), ...evidenceOf(state, sheet)];
  const items = evidence.map((item) => item.evidence);
  const known = { evidence, inference: infer(withUnsteady(plain, evidence), items) };
  bySheet.set(sheet, known);
  return known;
}

export function assess(sheet: Sheet, state: JobState): Assessment {
  const { evidence, inference } = knownOf(sheet, state);
  const { belief, space } = inference;
  const { model } = space;
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
  const wavering = new Set(comesAndGoes(model, inference.evidence).map(([id]) => id));
  const waveringTests = testsOf(sheet).filter((test) =>
    [...observablesOf(test, sheet), ...ruleObservables(test)].some(({ id }) => wavering.has(id)),
  );
  const notHelped = notHelpedBy(sheet, state);
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
    comesAndGoes: waveringTests,
    ...(notHelped && { notHelped }),
    notProven: [
      ...waveringTests.map((test) => ({ kind: 'comes-and-goes' as const, test })),
      ...notProvenOf(sheet, state, suspects, evidence),
    ],
  };
}

/** A swap that does not help clears its part only where something else explains what is still bad. */
function notHelpedBy(sheet: Sheet, state: JobState): Part | undefined {
  const proof = proofOf(state);
  const { what, part } = proof?.work.body ?? {};
  return what === 'fitted' && part !== undefined && proof && proof.bad.length > 0
    ? findPart(sheet, part)
    : undefined;
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
      part: sheet.parts.find((part) => part.id === fault.part),
      p: belief.faults[fault.id] ?? 0,
      now: belief.now[fault.id] ?? 0,
      before: before.faults[fault.id] ?? 0,
      nowBefore: before.now[fault.id] ?? 0,
      weights: weights[fault.id] ?? [],
    }))
    .sort((a, b) => b.p - a.p);
}

function namedSurprise(inference: Inference, evidence: readonly EvidenceItem[]) {
  const found = surpriseIn(inference);
  return found && { item: nth(evidence, found.evidence), factor: found.factor };
}
