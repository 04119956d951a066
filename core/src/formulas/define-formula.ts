/**
 * Writing a formula down: its inputs by name, typed as what they are, so that the relation is written with
 * plain names and the compiler knows which of them may be missing.
 *
 * @example
 * defineFormula({
 *   …, inputs: { volts: number('Rated voltage', 'voltage', 220), watts: number('Rated power', 'power', 2200) },
 *   compute: ({ volts, watts }) => ({ outputs: [output('ohms', 'Hot', 'resistance', volts ** 2 / watts, true)], remarks: [] }),
 * })
 */
import { InvalidInputError } from '../errors';
import type {
  ChoiceInput,
  DayInput,
  Formula,
  FormulaAnswer,
  FormulaInput,
  FormulaOutput,
  FormulaValues,
  NumberInput,
  Quantity,
} from './formula';

type NumberField = Omit<NumberInput, 'id'>;
type OptionalField = NumberField & { readonly optional: true };
type ChoiceField<V extends string> = Omit<ChoiceInput, 'id'> & {
  readonly options: readonly { readonly value: V; readonly label: string }[];
};
type DayField = Omit<DayInput, 'id'>;
type Field = NumberField | ChoiceField<string> | DayField;

/** What an input stands for in the relation: SI, the chosen word, `YYYY-MM-DD`. */
type ValueOf<F extends Field> = F extends OptionalField
  ? number | undefined
  : F extends NumberField
    ? number
    : F extends ChoiceField<infer V>
      ? V
      : string;
type ValuesOf<I extends Record<string, Field>> = { readonly [K in keyof I]: ValueOf<I[K]> };

type Options = Partial<Omit<NumberField, 'kind' | 'label' | 'quantity' | 'start' | 'optional'>>;

export const number = (
  label: string,
  quantity: Quantity,
  start: number,
  options: Options = {},
): NumberField & { readonly optional?: never } => ({
  kind: 'number',
  label,
  quantity,
  start,
  ...options,
});

/** May be left empty: `undefined` in the relation then. */
export const optional = (
  label: string,
  quantity: Quantity,
  start: number,
  options: Options = {},
): OptionalField => ({ ...number(label, quantity, start, options), optional: true });

export const choice = <const V extends string>(
  label: string,
  options: readonly { readonly value: V; readonly label: string }[],
  start: NoInfer<V>,
): ChoiceField<V> => ({ kind: 'choice', label, options, start });

export const day = (label: string, start: string): DayField => ({ kind: 'day', label, start });

export const output = (
  id: string,
  label: string,
  quantity: Quantity,
  value: number,
  main = false,
): FormulaOutput => ({ id, label, quantity, value, ...(main && { main }) });

interface Definition<I extends Record<string, Field>> extends Omit<
  Formula,
  'inputs' | 'compute' | 'picture'
> {
  /** By name, in the order in which they are asked for. */
  readonly inputs: I;
  readonly compute: (values: ValuesOf<NoInfer<I>>) => FormulaAnswer;
  readonly picture?: {
    readonly input: keyof NoInfer<I> & string;
    readonly output: string;
    readonly from: (values: ValuesOf<NoInfer<I>>) => number;
    readonly to: (values: ValuesOf<NoInfer<I>>) => number;
  };
}

export function defineFormula<const I extends Record<string, Field>>({
  inputs: fields,
  compute,
  picture,
  ...rest
}: Definition<I>): Formula {
  const inputs = Object.entries(fields).map(([id, field]): FormulaInput => ({ ...field, id }));
  const read = (values: FormulaValues): ValuesOf<I> =>
    // What is read below is what the fields say, by name; the compiler cannot follow it through entries.
    Object.fromEntries(inputs.map((input) => [input.id, valueIn(input, values)])) as ValuesOf<I>;
  return {
    ...rest,
    inputs,
    compute: (values) => compute(read(values)),
    ...(picture && {
      picture: {
        ...picture,
        from: (values) => picture.from(read(values)),
        to: (values) => picture.to(read(values)),
      },
    }),
  };
}

/** @throws {InvalidInputError} for a choice that is none of its options. */
function valueIn(input: FormulaInput, { numbers, texts }: FormulaValues): unknown {
  if (input.kind === 'number') {
    const value = numbers[input.id] ?? NaN;
    return input.optional && !Number.isFinite(value) ? undefined : value;
  }
  const text = texts[input.id] ?? '';
  if (input.kind === 'choice' && !input.options.some(({ value }) => value === text))
    throw new InvalidInputError(`“${text}” is none of the choices of ${input.label.toLowerCase()}`);
  return text;
}
