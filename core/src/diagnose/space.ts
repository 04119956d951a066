/** Everything about a model that does not change with the evidence, laid out flat: it is asked at every reading. */
import { nth } from '../numeric/nth';
import { hypothesesOf, type Hypothesis } from './hypotheses';
import { checkModel, type DiagnosticModel } from './model';

export interface Space {
  readonly model: DiagnosticModel;
  readonly hypotheses: readonly Hypothesis[];
  /** Subsets that the largest set has; a subset's number has a bit for each fault of the set. */
  readonly columns: number;
  /** For each hypothesis on arrival and each subset of its faults, the hypothesis that is left. */
  readonly left: Int32Array;
  readonly faultIndex: ReadonlyMap<string, number>;
  /** Of each fault, the hypotheses that contain it, ascending. */
  readonly containing: readonly Int32Array[];
  /** Of each fault, the parts (by index) whose replacing takes it away: its own, what that sits on, and on. */
  readonly carriers: readonly (readonly number[])[];
  /** Of each hypothesis, the parts (by index) that have a fault of it. */
  readonly touched: readonly (readonly number[])[];
  /** Of each hypothesis, the parts after whose replacing alone the machine works. */
  readonly mending: readonly (readonly number[])[];
}

const prepared = new WeakMap<DiagnosticModel, Map<number, Space>>();

/** Checked and made once for a model. @param size K, the largest set of faults */
export function spaceFor(model: DiagnosticModel, size: number): Space {
  const bySize = prepared.get(model) ?? new Map<number, Space>();
  prepared.set(model, bySize);
  let space = bySize.get(size);
  if (!space) {
    checkModel(model);
    space = spaceOf(model, hypothesesOf(model, size));
    bySize.set(size, space);
  }
  return space;
}

function spaceOf(model: DiagnosticModel, hypotheses: readonly Hypothesis[]): Space {
  const partIndex = new Map(model.parts.map(({ id }, i) => [id, i]));
  const carriers = model.faults.map(({ part }) =>
    carriersOf(model, part).map((id) => partIndex.get(id)!),
  );
  const columns = 1 << Math.max(...hypotheses.map(({ faults }) => faults.length));
  const everyPart = model.parts.map((_, i) => i);
  return {
    model,
    hypotheses,
    columns,
    left: leftOf(hypotheses, columns),
    faultIndex: new Map(model.faults.map(({ id }, f) => [id, f])),
    containing: containingOf(model.faults.length, hypotheses),
    carriers,
    touched: hypotheses.map(({ faults }) => [
      ...new Set(faults.flatMap((f) => nth(carriers, f).slice(0, 1))),
    ]),
    mending: hypotheses.map(({ kind, faults }) => {
      if (kind === 'other') return [];
      // Where nothing is left, the machine works whatever is replaced.
      return everyPart.filter((part) => faults.every((f) => nth(carriers, f).includes(part)));
    }),
  };
}

function containingOf(faults: number, hypotheses: readonly Hypothesis[]): Int32Array[] {
  const lists = Array.from({ length: faults }, (): number[] => []);
  hypotheses.forEach((each, h) => each.faults.forEach((f) => nth(lists, f).push(h)));
  return lists.map((list) => Int32Array.from(list));
}

/** The part that has the fault, what it sits on, and so on; nothing where no part has it. */
function carriersOf(model: DiagnosticModel, part: string | undefined): string[] {
  const found: string[] = [];
  const on = new Map(model.parts.map((each) => [each.id, each.on]));
  for (let id = part; id !== undefined && !found.includes(id); id = on.get(id)) found.push(id);
  return found;
}

function leftOf(hypotheses: readonly Hypothesis[], columns: number): Int32Array {
  const sets = new Map(
    hypotheses.flatMap(({ kind, faults }, h) => (kind === 'other' ? [] : [[faults.join(), h]])),
  );
  const left = new Int32Array(hypotheses.length * columns);
  hypotheses.forEach(({ kind, faults }, h) => {
    for (let set = 0; set < 1 << faults.length; set += 1)
      left[h * columns + set] =
        kind === 'other' ? h : sets.get(faults.filter((_, i) => set & (1 << i)).join())!;
  });
  return left;
}
