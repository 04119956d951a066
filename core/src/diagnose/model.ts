/** The diagnostic model: what a sheet says about faults, free of pins and pictures. */
import { InvalidInputError, UnknownReferenceError } from '../errors';
import { allObservables, shownBy } from '../sheet/observables';
import { codeKey } from '../sheet/codes/match';
import type { Sheet } from '../sheet/schema';

/** Probabilities of outcomes; a bare name means certainty. */
export type Shown = string | Readonly<Record<string, number>>;

export interface ModelFault {
  readonly id: string;
  /** Absent for what no part mends: a joint, a setting. */
  readonly part?: string;
  /** Relative weight, greater than 0. */
  readonly prior: number;
  /** By observable id. Silence means the good outcome. */
  readonly shows: Readonly<Record<string, Shown>>;
  /** Other faults this one causes, with their chance. */
  readonly brings?: Readonly<Record<string, number>>;
  /** The share of the time in which it shows nothing; 0 where absent. */
  readonly intermittent?: number;
  /** Of the faults that bear the same word here only one can be. */
  readonly oneOf?: string;
}

export interface ModelObservable {
  readonly id: string;
  readonly outcomes: readonly string[];
  /** The good outcome; `ok` where absent. */
  readonly ok?: string;
  readonly noise?: number;
}

export interface ModelCode {
  readonly code: string;
  readonly suspects: Readonly<Record<string, number>>;
  readonly other?: number;
}

/** A display that was read and shows nothing, where the sheet says what that suggests. */
export const NO_CODE = '(none)';

export interface ModelSymptom {
  readonly id: string;
  readonly suspects: Readonly<Record<string, number>>;
  readonly other?: number;
}

/** Also the abridged form of a sheet that the command line takes. */
export interface DiagnosticModel {
  readonly faults: readonly ModelFault[];
  readonly tests: readonly ModelObservable[];
  /** `on`: the part that it sits on and is replaced with. */
  readonly parts: readonly { readonly id: string; readonly on?: string }[];
  readonly codes?: readonly ModelCode[];
  readonly symptoms?: readonly ModelSymptom[];
  /** Expected number of independent faults, κ; 0.1 where absent. */
  readonly coincidence?: number;
  /** Prior of nothing wrong; 0.05 where absent. */
  readonly sound?: number;
}

export function modelOf(sheet: Sheet): DiagnosticModel {
  const observables = allObservables(sheet);
  return {
    faults: sheet.faults.map((fault) => ({
      id: fault.id,
      ...(fault.part !== undefined && { part: fault.part }),
      prior: fault.prior,
      shows: Object.fromEntries(
        observables.flatMap((observable) => {
          const shown = shownBy(fault, observable);
          return shown === undefined ? [] : [[observable.id, shown]];
        }),
      ),
      ...(fault.brings && { brings: fault.brings }),
      ...(fault.intermittent !== undefined && { intermittent: fault.intermittent }),
      ...(fault.oneOf !== undefined && { oneOf: fault.oneOf }),
    })),
    tests: observables,
    parts: sheet.parts,
    codes: [
      ...sheet.codes.list.map((each) => ({ ...each, code: codeKey(each) })),
      ...(sheet.codes.none ? [{ ...sheet.codes.none, code: NO_CODE }] : []),
    ],
    ...(sheet.symptoms && { symptoms: sheet.symptoms }),
    ...(sheet.coincidence !== undefined && { coincidence: sheet.coincidence }),
    ...(sheet.sound !== undefined && { sound: sheet.sound }),
  };
}

/** @throws {InvalidInputError | UnknownReferenceError} where probabilities or references are off. */
export function checkModel(model: DiagnosticModel): void {
  const faults = new Set(model.faults.map((fault) => fault.id));
  const parts = new Set(model.parts.map((part) => part.id));
  const tests = new Map(model.tests.map((test) => [test.id, test]));
  if (faults.size === 0) throw new InvalidInputError('a model needs at least one fault', '/faults');
  if (faults.size < model.faults.length)
    throw new InvalidInputError('two faults bear the same id', '/faults');
  model.faults.forEach((fault, i) => {
    const path = `/faults/${i}`;
    if (!(fault.prior > 0 && Number.isFinite(fault.prior)))
      throw new InvalidInputError('a prior must be greater than 0', `${path}/prior`);
    if (fault.part !== undefined && !parts.has(fault.part))
      throw new UnknownReferenceError(`there is no part “${fault.part}”`, `${path}/part`);
    for (const [id, shown] of Object.entries(fault.shows)) {
      const test = tests.get(id);
      if (!test) throw new UnknownReferenceError(`there is no test “${id}”`, `${path}/shows/${id}`);
      for (const [outcome, share] of Object.entries(sharesOf(shown))) {
        if (!test.outcomes.includes(outcome))
          throw new UnknownReferenceError(
            `“${id}” has no outcome “${outcome}”`,
            `${path}/shows/${id}`,
          );
        checkProbability(share, `${path}/shows/${id}/${outcome}`);
      }
    }
    checkProbability(fault.intermittent ?? 0, `${path}/intermittent`);
    for (const [id, chance] of Object.entries(fault.brings ?? {})) {
      const brought = model.faults.find((each) => each.id === id);
      if (fault.oneOf !== undefined && brought?.oneOf === fault.oneOf)
        throw new InvalidInputError(
          `“${fault.id}” and “${id}” cannot both be there, so one brings not the other`,
          `${path}/brings/${id}`,
        );
      if (!faults.has(id))
        throw new UnknownReferenceError(`there is no fault “${id}”`, `${path}/brings/${id}`);
      checkProbability(chance, `${path}/brings/${id}`);
    }
  });
}

export function sharesOf(shown: Shown): Readonly<Record<string, number>> {
  return typeof shown === 'string' ? { [shown]: 1 } : shown;
}

function checkProbability(value: number, path: string): void {
  if (!(value >= 0 && value <= 1))
    throw new InvalidInputError(`${value} is not a probability`, path);
}
