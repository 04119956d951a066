/** Lists of a form: plain values, small rows, or records that open. */
import { useId, useState, type ReactNode } from 'react';
import { blankOf, controlOf, labelOf, nameOf, type Control, type Schema } from './schema';
import { Problem, SMALL, useNested, type FieldProps } from './field-parts';
import { moved, pointer } from './update';

type Row = Extract<Control, { kind: 'object' }>;

/** Rarely said of what fits on one line: such a thing is opened in the text instead. */
const SELDOM: ReadonlySet<string> = new Set(['per', 'only', 'side']);

/** What fits on one line: a record of at most four plain fields, the seldom ones left away. */
function rowIn(control: Control): Row | undefined {
  if (control.kind !== 'object') return undefined;
  const fields = Object.entries(control.properties).filter(([name]) => !SELDOM.has(name));
  return fields.length <= 4 && fields.every(([, field]) => isPlain(field))
    ? { ...control, properties: Object.fromEntries(fields) }
    : undefined;
}

const isPlain = (schema: Schema) => ['text', 'number', 'choice'].includes(controlOf(schema).kind);

/** A blank item; where rows are numbered, with the next number. */
function freshItem(item: Schema, row: Row | undefined, list: readonly unknown[]): unknown {
  const fresh = blankOf(item);
  if (!row || !('n' in row.properties)) return fresh;
  const numbers = list.map((each) => Number((each as { n?: number }).n) || 0);
  return { ...(fresh as object), n: Math.max(0, ...numbers) + 1 };
}

export function ListField({
  value,
  path,
  context,
  label,
  required,
  item,
  problem,
}: FieldProps & { item: Schema; problem: string | undefined }) {
  const list = Array.isArray(value) ? (value as unknown[]) : [];
  const id = useId();
  const [open, setOpen] = useState<number>();
  const row = rowIn(controlOf(item));
  const put = (next: unknown[]) =>
    context.change(path, next.length === 0 && !required ? undefined : next);
  const add = () => {
    put([...list, freshItem(item, row, list)]);
    setOpen(list.length);
  };
  return (
    <fieldset className="m-0 min-w-0 border border-hair p-3 max-lg:px-1.5">
      <legend className="px-1 text-[14px] font-semibold">
        {label} <span className="figure font-normal text-soft">{list.length}</span>
      </legend>
      <Problem id={id} text={problem} />
      <ul className="m-0 list-none p-0">
        {list.map((each, i) => {
          const here: ItemProps = {
            value: each,
            path: [...path, i],
            context,
            schema: item,
            label: isPlain(item) ? `${label} ${i + 1}` : nameOf(each, i),
          };
          const tools = <Tools name={here.label} at={i} list={list} put={put} />;
          if (isPlain(item) || row)
            return (
              <li key={i} className="flex flex-wrap items-end justify-end gap-1">
                {row ? <RowItem {...here} row={row} /> : <PlainItem {...here} />}
                {tools}
              </li>
            );
          return (
            <OpenItem
              key={i}
              {...here}
              open={open === i}
              onToggle={() => setOpen(open === i ? undefined : i)}
              tools={tools}
            />
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

interface ItemProps extends Pick<FieldProps, 'value' | 'path' | 'context' | 'label'> {
  readonly schema: Schema;
}

function PlainItem(item: ItemProps) {
  const nested = useNested();
  return (
    <div className="min-w-0 flex-1 basis-40">
      <nested.Field {...item} required />
    </div>
  );
}

function RowItem({ value, path, context, row }: ItemProps & { row: Row }) {
  const nested = useNested();
  return (
    <div className="grid min-w-0 flex-1 basis-64 grid-cols-[repeat(auto-fit,minmax(min(5.5rem,100%),1fr))] gap-2">
      {Object.entries(row.properties).map(([key, schema]) => (
        <nested.Field
          key={key}
          schema={schema}
          value={(value as Record<string, unknown>)[key]}
          path={[...path, key]}
          context={context}
          label={labelOf(key)}
          required={row.required.includes(key)}
        />
      ))}
    </div>
  );
}

/** A record too large for a line: its name, and its fields when it is open. */
function OpenItem({
  open,
  onToggle,
  tools,
  ...item
}: ItemProps & { open: boolean; onToggle: () => void; tools: ReactNode }) {
  const { value, path, context, schema, label } = item;
  const nested = useNested();
  const at = pointer(path);
  const bad = [...context.problems.keys()].some((each) => each === at || each.startsWith(`${at}/`));
  const inner = controlOf(schema, value);
  return (
    <li className="border-b border-hair">
      <div className="flex flex-wrap items-center justify-end">
        <button
          type="button"
          aria-expanded={open}
          onClick={onToggle}
          className="min-h-11 min-w-0 flex-1 basis-32 cursor-pointer truncate text-left"
        >
          <span aria-hidden="true" className="inline-block w-5 text-soft">
            {open ? '▾' : '▸'}
          </span>
          {label}
          {bad && <span className="ml-2 text-[14px] text-brick">▲ mend</span>}
        </button>
        {tools}
      </div>
      {open && (
        <div className="pb-3 pl-5 max-lg:pl-2">
          {inner.kind === 'object' ? (
            <nested.Fields
              properties={inner.properties}
              required={inner.required}
              value={value}
              path={path}
              context={context}
            />
          ) : (
            <nested.Field {...item} required />
          )}
        </div>
      )}
    </li>
  );
}

/** Up, down, away. */
function Tools({
  name,
  at,
  list,
  put,
}: {
  name: string;
  at: number;
  list: readonly unknown[];
  put: (next: unknown[]) => void;
}) {
  return (
    <span className="flex shrink-0">
      <button
        type="button"
        disabled={at === 0}
        aria-label={`${name} up`}
        onClick={() => put(moved(list, at, -1))}
        className={SMALL}
      >
        ↑
      </button>
      <button
        type="button"
        disabled={at === list.length - 1}
        aria-label={`${name} down`}
        onClick={() => put(moved(list, at, 1))}
        className={SMALL}
      >
        ↓
      </button>
      <button
        type="button"
        aria-label={`Remove ${name}`}
        onClick={() => put(list.filter((_, each) => each !== at))}
        className={SMALL}
      >
        ×
      </button>
    </span>
  );
}
