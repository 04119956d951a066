/**
 * What a formula of the Reckoner is: its inputs and outputs with their quantities, a pure function
 * between them in SI units, its source, and where it helps a picture of the relation.
 */
import { propagate } from '../numeric/propagate';

/** Quantities decide which units can be switched between; values are SI, temperatures °C. */
export type Quantity =
  | 'voltage'
  | 'current'
  | 'resistance'
  | 'power'
  | 'capacitance'
  | 'frequency'
  | 'temperature'
  | 'temperature-difference'
  | 'pressure'
  | 'altitude'
  | 'time'
  | 'percent'
  | 'ratio'
  | 'money'
  | 'money-rate'
  | 'hours'
  | 'months'
  | 'count';

interface InputCommon {
  readonly id: string;
  readonly label: string;
  /** Shown beside the field where a word helps. */
  readonly hint?: string;
}

export interface NumberInput extends InputCommon {
  readonly kind: 'number';
  readonly quantity: Quantity;
  /** A plausible figure to start from, SI. */
  readonly start: number;
  /** Half-width of its uncertainty to start from; absent where it is exact by nature. */
  readonly plusMinus?: number;
  /** Refused outside, SI. */
  readonly min?: number;
  readonly max?: number;
  /** May be left empty. */
  readonly optional?: boolean;
}

export interface ChoiceInput extends InputCommon {
  readonly kind: 'choice';
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly start: string;
}

export interface DayInput extends InputCommon {
  readonly kind: 'day';
  /** `YYYY-MM-DD` */
  readonly start: string;
}

export type FormulaInput = NumberInput | ChoiceInput | DayInput;

export interface FormulaOutput {
  readonly id: string;
  readonly label: string;
  readonly quantity: Quantity;
  readonly value: number;
  /** Standard uncertainty; absent where no input has one. */
  readonly u?: number;
  /** The answer that was asked for; the others go with it. */
  readonly main?: boolean;
}

/** An answer in words: a day, a name, a judgement of the arithmetic. */
export interface FormulaRemark {
  readonly label: string;
  readonly text: string;
  readonly tone?: 'good' | 'mind' | 'bad';
}

export interface FormulaAnswer {
  readonly outputs: readonly FormulaOutput[];
  readonly remarks: readonly FormulaRemark[];
}

/** Inputs by id: SI numbers (NaN for an optional one left empty), the choice's value, the day. */
export interface FormulaValues {
  readonly numbers: Readonly<Record<string, number>>;
  readonly texts: Readonly<Record<string, string>>;
}

export interface Formula {
  readonly id: string;
  readonly title: string;
  readonly group: 'electricity' | 'motors' | 'sensors' | 'refrigeration' | 'money and dates';
  /** What it is for, in one line. */
  readonly use: string;
  /** The relation as it is written. */
  readonly relation: string;
  readonly source: string;
  readonly inputs: readonly FormulaInput[];
  /**
   * Answers in SI units, without uncertainty; {@link answer} adds it.
   * @throws {InvalidInputError} for inputs that the relation does not hold for.
   */
  readonly compute: (values: FormulaValues) => FormulaAnswer;
  /** The picture of the relation: one output against one input. */
  readonly picture?: {
    readonly input: string;
    readonly output: string;
    /** Range drawn, SI, around the input's present value. */
    readonly from: (values: FormulaValues) => number;
    readonly to: (values: FormulaValues) => number;
  };
}

/**
 * The answer of a formula, each output with the uncertainty that follows from its inputs.
 * @param halfWidths - By input id, SI; taken as rectangular (u = a/√3).
 * @throws {InvalidInputError} as the formula does.
 */
export function answer(
  formula: Formula,
  values: FormulaValues,
  halfWidths: Readonly<Record<string, number>> = {},
): FormulaAnswer {
  const plain = formula.compute(values);
  const uncertain = Object.entries(halfWidths).flatMap(([id, half]) => {
    const value = values.numbers[id];
    return half > 0 && value !== undefined && Number.isFinite(value) ? [{ id, value, half }] : [];
  });
  if (uncertain.length === 0) return plain;
  const inputs = uncertain.map(({ value, half }) => ({ value, u: half / Math.sqrt(3) }));
  const at = (figures: readonly number[], output: string) => {
    const changed = Object.fromEntries(uncertain.map(({ id }, i) => [id, figures[i] ?? NaN]));
    const numbers = { ...values.numbers, ...changed };
    return outputAt(formula, { ...values, numbers }, output);
  };
  return {
    ...plain,
    outputs: plain.outputs.map((output) => {
      const { u } = propagate((figures) => at(figures, output.id), inputs);
      return Number.isFinite(u) ? { ...output, u } : output;
    }),
  };
}

/** One output at other inputs; NaN where the relation does not hold there. */
export function outputAt(formula: Formula, values: FormulaValues, output: string): number {
  try {
    return formula.compute(values).outputs.find((each) => each.id === output)?.value ?? NaN;
  } catch {
    return NaN;
  }
}

/** Points of the picture: SI pairs, without those where the relation does not hold. */
export function pictureOf(formula: Formula, values: FormulaValues, steps = 80): [number, number][] {
  const { picture } = formula;
  if (!picture) return [];
  const [from, to] = [picture.from(values), picture.to(values)];
  return Array.from({ length: steps + 1 }, (_, i): [number, number] => {
    const x = from + ((to - from) * i) / steps;
    const numbers = { ...values.numbers, [picture.input]: x };
    return [x, outputAt(formula, { ...values, numbers }, picture.output)];
  }).filter(([x, y]) => Number.isFinite(x) && Number.isFinite(y));
}

/** The figures a formula starts from. */
export function startValues({ inputs }: Formula): FormulaValues {
  const numbers: Record<string, number> = {};
  const texts: Record<string, string> = {};
  for (const input of inputs) {
    if (input.kind === 'number') numbers[input.id] = input.optional ? NaN : input.start;
    else texts[input.id] = input.start;
  }
  return { numbers, texts };
}
