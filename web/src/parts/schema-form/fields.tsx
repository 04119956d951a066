/** Text, figures and places of a form. What is typed stays as typed until it makes sense. */
import { useId, useState } from 'react';
import { INPUT, Problem, type FieldProps } from './field-parts';

interface Simple extends FieldProps {
  readonly problem: string | undefined;
}

export function TextField({
  value,
  path,
  context,
  label,
  required,
  long,
  problem,
}: Simple & { long: boolean }) {
  const id = useId();
  const field = String(path.at(-1));
  const options = context.suggest(typeof path.at(-1) === 'number' ? String(path.at(-2)) : field);
  const change = (text: string) =>
    context.change(path, text === '' && !required ? undefined : text);
  const common = {
    value: typeof value === 'string' ? value : value === undefined ? '' : JSON.stringify(value),
    'aria-invalid': problem !== undefined,
    'aria-describedby': problem === undefined ? undefined : `${id}-problem`,
    spellCheck: false,
  };
  return (
    <label className="block text-[14px] text-soft">
      {label}
      {long ? (
        <textarea
          {...common}
          rows={2}
          onChange={(event) => change(event.target.value)}
          className={`${INPUT} block py-2`}
        />
      ) : (
        <input
          {...common}
          list={options.length > 0 ? id : undefined}
          autoComplete="off"
          onChange={(event) => change(event.target.value)}
          className={`${INPUT} block`}
        />
      )}
      {options.length > 0 && (
        <datalist id={id}>
          {options.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
      )}
      <Problem id={`${id}-problem`} text={problem} />
    </label>
  );
}

/** Reads either decimal mark; half-typed figures stay in the field and change nothing. */
function useFigure(value: unknown, onValue: (value: number | undefined) => void) {
  const [typed, setTyped] = useState<{ text: string; for: unknown }>();
  const text = typed && typed.for === value ? typed.text : value === undefined ? '' : String(value);
  const type = (next: string) => {
    const figure = next.trim() === '' ? undefined : Number(next.replace(',', '.'));
    const sound = figure === undefined || Number.isFinite(figure);
    setTyped({ text: next, for: sound ? figure : value });
    if (sound) onValue(figure);
  };
  const broken = text.trim() !== '' && !Number.isFinite(Number(text.replace(',', '.')));
  return { text, type, broken };
}

export function NumberField({ value, path, context, label, problem }: Simple) {
  const id = useId();
  const { text, type, broken } = useFigure(value, (figure) => context.change(path, figure));
  const shown = broken ? 'is no figure yet; the last one that was stays.' : problem;
  return (
    <label className="block text-[14px] text-soft">
      {label}
      <input
        inputMode="decimal"
        autoComplete="off"
        value={text}
        aria-invalid={shown !== undefined}
        aria-describedby={shown === undefined ? undefined : id}
        onChange={(event) => type(event.target.value)}
        className={`${INPUT} figure block`}
      />
      <Problem id={id} text={shown} />
    </label>
  );
}

/** Two figures: a place in millimetres, a band from low to high. */
export function PairField({ value, path, context, label, problem, required }: Simple) {
  const id = useId();
  const [a, b] = (Array.isArray(value) ? value : [0, 0]) as [number, number];
  const first = useFigure(a, (figure) => context.change(path, [figure ?? 0, b]));
  const second = useFigure(b, (figure) => context.change(path, [a, figure ?? 0]));
  return (
    <fieldset className="m-0 border-0 p-0">
      <legend className="p-0 text-[14px] text-soft">
        {label}
        {!required && (
          <button
            type="button"
            onClick={() => context.change(path, undefined)}
            className="ml-2 cursor-pointer underline decoration-hair"
          >
            remove<span className="sr-only"> {label}</span>
          </button>
        )}
      </legend>
      <div className="flex gap-2">
        {[first, second].map((each, i) => (
          <input
            key={i}
            aria-label={`${label}, ${i === 0 ? 'first' : 'second'}`}
            inputMode="decimal"
            autoComplete="off"
            value={each.text}
            aria-invalid={each.broken || problem !== undefined}
            onChange={(event) => each.type(event.target.value)}
            className={`${INPUT} figure`}
          />
        ))}
      </div>
      <Problem id={id} text={problem} />
    </fieldset>
  );
}
