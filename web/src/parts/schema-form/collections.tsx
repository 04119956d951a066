/** Lists and open records of a form. */
import { useId, useState } from 'react';
import { blankOf, controlOf, labelOf, nameOf, type Schema } from './schema';
import { INPUT, Problem, useNested, type FieldProps } from './field-parts';
import { moved, pointer } from './update';

const SMALL = 'min-h-11 min-w-11 cursor-pointer px-2 text-soft disabled:opacity-40';

export function ListField({
  value,
  path,
  context,
  label,
  required,
  item,
  problem,
}: FieldProps & { item: Schema; problem: string | undefined }) {
  const nested = useNested();
  const list = Array.isArray(value) ? (value as unknown[]) : [];
  const id = useId();
  const [open, setOpen] = useState<number>();
  const control = controlOf(item);
  const plain = control.kind === 'text' || control.kind === 'number' || control.kind === 'choice';
  const rowOf =
    control.kind === 'object' &&
    Object.keys(control.properties).length <= 4 &&
    Object.values(control.properties).every((each) =>
      ['text', 'number', 'choice'].includes(controlOf(each).kind),
    )
      ? control
      : undefined;
  const put = (next: unknown[]) =>
    context.change(path, next.length === 0 && !required ? undefined : next);
  const add = () => {
    const fresh = blankOf(item);
    const numbered =
      rowOf && 'n' in rowOf.properties
        ? {
            ...(fresh as object),
            n: Math.max(0, ...list.map((each) => Number((each as { n?: number }).n) || 0)) + 1,
          }
        : fresh;
    put([...list, numbered]);
    setOpen(list.length);
  };
  const tools = (i: number, name: string) => (
    <span className="flex shrink-0">
      <button
        type="button"
        disabled={i === 0}
        aria-label={`${name} up`}
        onClick={() => put(moved(list, i, -1))}
        className={SMALL}
      >
        ↑
      </button>
      <button
        type="button"
        disabled={i === list.length - 1}
        aria-label={`${name} down`}
        onClick={() => put(moved(list, i, 1))}
        className={SMALL}
      >
        ↓
      </button>
      <button
        type="button"
        aria-label={`Remove ${name}`}
        onClick={() => put(list.filter((_, at) => at !== i))}
        className={SMALL}
      >
        ×
      </button>
    </span>
  );
  return (
    <fieldset className="m-0 border border-hair p-3">
      <legend className="px-1 text-[14px] font-semibold">
        {label} <span className="figure font-normal text-soft">{list.length}</span>
      </legend>
      <Problem id={id} text={problem} />
      <ul className="m-0 list-none p-0">
        {list.map((each, i) => {
          const here = [...path, i];
          const name = nameOf(each, i);
          if (plain)
            return (
              <li key={i} className="flex items-end gap-1">
                <div className="min-w-0 flex-1">
                  <nested.Field
                    schema={item}
                    value={each}
                    path={here}
                    context={context}
                    label={`${label} ${i + 1}`}
                    required
                  />
                </div>
                {tools(i, `${label} ${i + 1}`)}
              </li>
            );
          if (rowOf)
            return (
              <li key={i} className="flex items-end gap-1">
                <div className="grid min-w-0 flex-1 auto-cols-fr grid-flow-col gap-2">
                  {Object.entries(rowOf.properties).map(([key, schema]) => (
                    <nested.Field
                      key={key}
                      schema={schema}
                      value={(each as Record<string, unknown>)[key]}
                      path={[...here, key]}
                      context={context}
                      label={labelOf(key)}
                      required={rowOf.required.includes(key)}
                    />
                  ))}
                </div>
                {tools(i, name)}
              </li>
            );
          const bad = [...context.problems.keys()].some(
            (at) => at.startsWith(`${pointer(here)}/`) || at === pointer(here),
          );
          const inner = controlOf(item, each);
          return (
            <li key={i} className="border-b border-hair">
              <div className="flex items-center">
                <button
                  type="button"
                  aria-expanded={open === i}
                  onClick={() => setOpen(open === i ? undefined : i)}
                  className="min-h-11 min-w-0 flex-1 cursor-pointer truncate text-left"
                >
                  <span aria-hidden="true" className="inline-block w-5 text-soft">
                    {open === i ? '▾' : '▸'}
                  </span>
                  {name}
                  {bad && <span className="ml-2 text-[14px] text-brick">▲ mend</span>}
                </button>
                {tools(i, name)}
              </div>
              {open === i && (
                <div className="pb-3 pl-5">
                  {inner.kind === 'object' ? (
                    <nested.Fields
                      properties={inner.properties}
                      required={inner.required}
                      value={each}
                      path={here}
                      context={context}
                    />
                  ) : (
                    <nested.Field
                      schema={item}
                      value={each}
                      path={here}
                      context={context}
                      label={name}
                      required
                    />
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        onClick={add}
        className="mt-1 min-h-11 cursor-pointer px-1 text-[15px] underline decoration-hair underline-offset-4"
      >
        + add to {label}
      </button>
    </fieldset>
  );
}

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
    <fieldset className="m-0 border border-hair p-3">
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
