/** Records whose names are typed: what a fault shows, the answers to a question. */
import { useId, useState } from 'react';
import { blankOf, type Schema } from './schema';
import { INPUT, Problem, SMALL, useNested, type FieldProps } from './field-parts';
import { pointer } from './update';

/** Names and what belongs to each: what a fault shows, the answers to a question. */
export function RecordField({
  value,
  path,
  context,
  label,
  entry,
  problem,
}: FieldProps & { entry: Schema; problem: string | undefined }) {
  const record = (value ?? {}) as Record<string, unknown>;
  const id = useId();
  const [fresh, setFresh] = useState('');
  const options = context.suggest(String(path.at(-1)));
  const add = () => {
    const name = fresh.trim();
    if (name === '' || name in record) return;
    context.change(path, { ...record, [name]: blankOf(entry) });
    setFresh('');
  };
  return (
    <fieldset className="m-0 min-w-0 border border-hair p-3 max-lg:px-1.5">
      <legend className="px-1 text-[14px] font-semibold">{label}</legend>
      <Problem id={`${id}-problem`} text={problem} />
      <ul className="m-0 list-none p-0">
        {Object.keys(record).map((key) => (
          <li key={key} className="flex items-end gap-2 border-b border-hair py-1">
            <div className="min-w-0 flex-1">
              <EntryField
                schema={entry}
                value={record[key]}
                path={[...path, key]}
                context={context}
                label={key}
                required
              />
            </div>
            <button
              type="button"
              aria-label={`Remove ${key}`}
              onClick={() =>
                context.change(
                  path,
                  Object.fromEntries(Object.entries(record).filter(([each]) => each !== key)),
                )
              }
              className={SMALL}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex gap-2">
        <input
          aria-label={`New name under ${label}`}
          list={id}
          value={fresh}
          onChange={(event) => setFresh(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            add();
          }}
          className={INPUT}
        />
        <datalist id={id}>
          {options.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
        <button
          type="button"
          onClick={add}
          className="min-h-11 cursor-pointer border border-soft px-3 whitespace-nowrap"
        >
          Add
        </button>
      </div>
    </fieldset>
  );
}

/** A share table is typed in one line, `short 0.4, ok 0.6`; a certain outcome as its bare word. */
function EntryField(props: FieldProps) {
  const nested = useNested();
  const { schema, value, path, context, label } = props;
  const shares = schema.anyOf?.some((each) => each.patternProperties !== undefined) ?? false;
  const [typed, setTyped] = useState<{ text: string; for: unknown }>();
  if (!shares) return <nested.Field {...props} />;
  const text = typed && typed.for === value ? typed.text : shareWords(value);
  const problem = context.problems.get(pointer(path));
  return (
    <label className="block text-[14px] text-soft">
      {label}
      <input
        value={text}
        aria-invalid={problem !== undefined}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => {
          const next = readShares(event.target.value);
          setTyped({ text: event.target.value, for: next ?? value });
          if (next !== undefined) context.change(path, next);
        }}
        className={`${INPUT} block`}
      />
      {problem !== undefined && <span className="block text-brick">{problem}</span>}
    </label>
  );
}

export function shareWords(value: unknown): string {
  if (typeof value === 'string') return value;
  return Object.entries((value ?? {}) as Record<string, number>)
    .map(([outcome, share]) => `${outcome} ${share}`)
    .join(', ');
}

/** @returns undefined for what is not yet a word or a list of words with figures. */
export function readShares(text: string): string | Record<string, number> | undefined {
  const parts = text
    .split(/[,;]\s+|[,;]$/)
    .map((each) => each.trim())
    .filter((each) => each !== '');
  if (parts.length === 1 && /^[A-Za-z][\w-]*$/.test(parts[0]!)) return parts[0];
  const pairs = parts.map((part) => /^([A-Za-z][\w-]*)[\s:]+(\d*[.,]?\d+)\s*(%?)$/.exec(part));
  if (pairs.length === 0 || pairs.some((pair) => !pair)) return undefined;
  return Object.fromEntries(
    pairs.map((pair) => [
      pair![1]!,
      Number(pair![2]!.replace(',', '.')) / (pair![3] === '%' ? 100 : 1),
    ]),
  );
}
