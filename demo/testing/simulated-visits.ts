/**
 * Visits played through by a policy, with the sheet's own chances as the truth: a machine with faults by
 * their odds, outcomes with their noise, and the minutes of opening, isolating, waiting and entering states
 * as a real visit has them. The same dice for every policy, so that they differ by what they choose alone.
 */
import { dice } from '@jeitinho/core';
import {
  advise,
  infer,
  modelOf,
  partsInVisit,
  effortOf,
  playedJob,
  RepairCost,
  USUAL_RATES,
  type DiagnosticModel,
  type Evidence,
  type Inference,
  type School,
  type Standing,
} from '@jeitinho/core/diagnose';
import { nextStep, type JobState } from '@jeitinho/core/job';
import {
  baseState,
  observablesOf,
  ruleObservables,
  type Sheet,
  type Test,
} from '@jeitinho/core/sheet';

export type Policy = 'order' | 'order by state' | School;

/** What a closed visit teaches. */
export interface Told {
  /** The part that led before the first work, and its chance of a fault then. */
  readonly said?: { readonly part: string; readonly p: number };
  /** Parts that went in. */
  readonly fitted: readonly string[];
  /** Everything found and done, the proof of the repair included. */
  readonly evidence: readonly Evidence[];
  /** It ran afterwards, and the complaint was gone. */
  readonly proven: boolean;
  /** What was wrong, known to nobody there. */
  readonly faults: readonly string[];
}

export interface Visit {
  /** All minutes until mended or handed over, less fitting and proving the truly bad parts. */
  readonly seeking: number;
  readonly wrongParts: number;
  /** Handed over although parts of the sheet would have mended it. */
  readonly lost: boolean;
  /** Minutes of live work that the sheet calls hazardous. */
  readonly hazard: number;
  readonly told: Told;
}

const PROVING_MINUTES = 10;
const FITTED = 0.98;
/** By the sheet's order one goes on until one part is this sure. */
const SURE = 0.95;
const MOST_TESTS = 60;
const MOST_PARTS = 6;

/** @param truth - Where the machines are by other odds than those the sheet is read with. */
export function playVisit(sheet: Sheet, policy: Policy, seed: number, truth: Sheet = sheet): Visit {
  const model = modelOf(sheet);
  const arrival = drawArrival(modelOf(truth), dice(seed));
  const left = new Set(arrival.faults);
  const evidence: Evidence[] = [];
  const base = baseState(sheet)?.id ?? null;
  const asFound: Standing = { energy: 'live', state: base, out: new Set() };
  let standing = asFound;
  let [minutes, due, wrongParts, hazard, epoch] = [0, 0, 0, 0, 0];
  const fitted: string[] = [];
  let said: Told['said'];
  const end = (lost: boolean): Visit => {
    const proven = !lost && arrival.kind === 'faults' && fitted.length > 0 && left.size === 0;
    if (proven) evidence.push({ confirmed: false });
    return {
      ...{ seeking: minutes - due, wrongParts, lost, hazard },
      told: { ...(said && { said }), fitted, evidence, proven, faults: arrival.faults },
    };
  };

  for (let replaced = 0; replaced <= MOST_PARTS; replaced += 1) {
    let inference = infer(model, evidence);
    for (let taken = 0; taken < MOST_TESTS; taken += 1) {
      const test = chosen(sheet, policy, standing, inference);
      if (!test) break;
      const { effort, to } = effortOf(sheet, standing, test);
      minutes += effort.minutes;
      if (effort.risk > 0) hazard += test.minutes ?? 1;
      standing = to;
      take(sheet, model, test, evidence, (id) =>
        outcomeOf(model, id, arrival.kind, left, dice(hash(`${seed} ${epoch} ${id}`))()),
      );
      inference = infer(model, evidence);
    }
    const { left: now } = inference;
    if (replaced === 0) said = leaderOf(inference);
    const { order } = new RepairCost(inference.space, partsInVisit(sheet), USUAL_RATES, now).planOf(
      now,
    );
    const [part] = order;
    if (part === undefined || replaced === MOST_PARTS)
      return end(arrival.kind === 'faults' && mendable(sheet, left));
    const fitting = (sheet.parts.find(({ id }) => id === part)!.minutes ?? 0) + PROVING_MINUTES;
    minutes += fitting;
    const on = sheet.faults.filter((fault) => sitsOn(sheet, fault.part, part)).map(({ id }) => id);
    if (on.some((id) => left.has(id))) due += fitting;
    else wrongParts += 1;
    fitted.push(part);
    const roll = dice(hash(`${seed} fit ${part} ${replaced}`));
    for (const id of on) if (roll() < FITTED) left.delete(id);
    evidence.push({ done: Object.fromEntries(on.map((id) => [id, FITTED])) }, { ran: true });
    if (arrival.kind !== 'other' && left.size === 0) return end(false);
    evidence.push({ confirmed: true });
    epoch += 1;
    standing = asFound;
  }
  return end(true);
}

function leaderOf({ belief }: Inference): Told['said'] {
  const [part, p] = Object.entries(belief.parts).reduce(
    (best, each) => (each[1] > best[1] ? each : best),
    ['', 0],
  );
  return part === '' ? undefined : { part, p };
}

/** The test that a policy takes next; undefined where it has measured enough. */
function chosen(
  sheet: Sheet,
  policy: Policy,
  standing: Standing,
  inference: Inference,
): Test | undefined {
  const state = playedJob(sheet, inference.evidence, standing);
  if (policy !== 'order' && policy !== 'order by state') {
    const { tests, stop } = advise(sheet, state, 0, { inference, school: policy });
    return stop ? undefined : tests[0]?.step.test;
  }
  const { fixed, sound } = inference.belief;
  if (Math.max(0, ...Object.values(fixed)) - sound >= SURE) return undefined;
  // Without its state, the order of the sheet alone.
  const asked = policy === 'order' ? { ...state, energy: { kind: 'not-proven' } } : state;
  return nextStep(sheet, asked as JobState)?.test;
}

/** All points of a test; its rules only where none of the points has said it already. */
function take(
  sheet: Sheet,
  model: DiagnosticModel,
  test: Test,
  evidence: Evidence[],
  draw: (observable: string) => string,
): void {
  const points = observablesOf(test, sheet).map(({ id }) => id);
  const note = (id: string) => {
    const outcome = draw(id);
    evidence.push({ test: id, outcome });
    return outcome;
  };
  const outcomes = points.map(note);
  if (outcomes.every((outcome) => outcome === 'ok'))
    for (const { id } of ruleObservables(test)) if (model.tests.some((t) => t.id === id)) note(id);
}

function drawArrival(model: DiagnosticModel, roll: () => number) {
  const { space, belief } = infer(model, []);
  let at = roll();
  const found = space.hypotheses.find((_, h) => (at -= belief.posterior[h]!) < 0);
  const { kind, faults } = found ?? space.hypotheses[0]!;
  return { kind, faults: faults.map((f) => model.faults[f]!.id) };
}

/** Drawn by the sheet's own chances, noise and all. */
function outcomeOf(
  model: DiagnosticModel,
  id: string,
  kind: 'faults' | 'sound' | 'other',
  left: ReadonlySet<string>,
  at: number,
): string {
  const { outcomes } = model.tests.find((test) => test.id === id)!;
  const { space } = infer(model, []);
  const set = model.faults.flatMap((fault, f) => (left.has(fault.id) ? [f] : []));
  const h = space.hypotheses.findIndex((each) =>
    kind === 'other' || set.length === 0
      ? each.kind === (kind === 'other' ? 'other' : 'sound')
      : each.kind === 'faults' && each.faults.join() === set.join(),
  );
  let rest = at;
  for (const outcome of outcomes) {
    rest -= Math.exp(logOf(model, id, outcome)[h]!);
    if (rest < 0) return outcome;
  }
  return outcomes[0]!;
}

const logs = new WeakMap<DiagnosticModel, Map<string, Float64Array>>();

/** ln P(outcome | hypothesis), reckoned once. */
function logOf(model: DiagnosticModel, test: string, outcome: string): Float64Array {
  const known = logs.get(model) ?? new Map<string, Float64Array>();
  logs.set(model, known);
  const key = `${test} ${outcome}`;
  const before = known.get(key);
  if (before) return before;
  const [step] = infer(model, [{ test, outcome }]).steps;
  known.set(key, step as Float64Array);
  return step as Float64Array;
}

const sitsOn = (sheet: Sheet, part: string | undefined, on: string): boolean =>
  part !== undefined &&
  (part === on || sitsOn(sheet, sheet.parts.find(({ id }) => id === part)?.on, on));

const mendable = (sheet: Sheet, left: ReadonlySet<string>): boolean =>
  left.size > 0 && sheet.faults.every(({ id, part }) => !left.has(id) || part !== undefined);

/** FNV-1a: one draw for one thing, whoever asks first. */
function hash(text: string): number {
  let value = 2166136261;
  for (let i = 0; i < text.length; i += 1) value = Math.imul(value ^ text.charCodeAt(i), 16777619);
  return value >>> 0;
}
