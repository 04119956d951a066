/** A form for any part of a document, made from its JSON Schema, so that no field is out of reach. */
import { useId } from 'react';
import { ListField } from './list-field';
import { RecordField } from './record-field';
import { INPUT, NestedFields, Problem, type FieldProps, type FieldsProps } from './field-parts';
import { NumberField, PairField, TextField } from './fields';
import { blankOf, branchOf, controlOf, labelOf, tagOf, type Schema } from './schema';
import { pointer } from './update';

export type { FormContext } from './field-parts';

/** One field, whatever it is, and all that is in it. */
export function SchemaField(props: FieldProps) {
  return (
    <NestedFields value={NESTED}>
      <Field {...props} />
    </NestedFields>
  );
}

/** An absent optional field offers to be added. */
function Field(props: FieldProps) {
  const { schema, value, path, context, label, required } = props;
  const control = controlOf(schema, value);
  const problem = context.problems.get(pointer(path));
  const simple = ['text', 'number', 'choice', 'flag'].includes(control.kind);
  if (value === undefined && !required && !simple)
    return (
      <button
        type="button"
        onClick={() => context.change(path, blankOf(schema))}
        className="min-h-11 cursor-pointer justify-self-start px-1 text-left text-[14px] text-soft underline decoration-hair underline-offset-4"
      >
        + {label}
      </button>
    );
  switch (control.kind) {
    case 'text':
      return <TextField {...props} long={control.long} problem={problem} />;
    case 'number':
      return <NumberField {...props} problem={problem} />;
    case 'flag':
      return (
        <label className="flex min-h-11 items-center gap-2 text-[15px]">
          <input
            type="checkbox"
            checked={value === true}
            onChange={(event) => context.change(path, event.target.checked || undefined)}
            className="h-6 w-6 accent-[var(--jade)]"
          />
          {label}
        </label>
      );
    case 'choice':
      return <Choice {...props} options={control.options} problem={problem} />;
    case 'pair':
      return <PairField {...props} problem={problem} />;
    case 'list':
      return <ListField {...props} item={control.item} problem={problem} />;
    case 'record':
      return <RecordField {...props} entry={control.value} problem={problem} />;
    case 'variants':
      return <Variants {...props} branches={control.branches} problem={problem} />;
    case 'object':
      return (
        <Group {...props} problem={problem}>
          <Fields
            properties={control.properties}
            required={control.required}
            value={value}
            path={path}
            context={context}
          />
        </Group>
      );
    default:
      return <TextField {...props} long problem={problem} />;
  }
}

/** The fields of an object side by side, without a frame. */
export function Fields({ properties, required, value, path, context, omit = [] }: FieldsProps) {
  const record = (value ?? {}) as Record<string, unknown>;
  return (
    <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2">
      {Object.entries(properties)
        .filter(([key]) => !omit.includes(key))
        .map(([key, schema]) => {
          const control = controlOf(schema, record[key]);
          const wide =
            ['list', 'record', 'object', 'variants'].includes(control.kind) ||
            (control.kind === 'text' && control.long);
          return (
            <div key={key} className={wide ? 'sm:col-span-2' : ''}>
              <Field
                schema={schema}
                value={record[key]}
                path={[...path, key]}
                context={context}
                label={labelOf(key)}
                required={required.includes(key)}
              />
            </div>
          );
        })}
    </div>
  );
}

function Group({
  label,
  required,
  path,
  context,
  problem,
  children,
}: FieldProps & { problem: string | undefined; children: React.ReactNode }) {
  const id = useId();
  return (
    <fieldset className="m-0 min-w-0 border border-hair p-3 max-lg:px-1.5">
      <legend className="px-1 text-[14px] font-semibold">
        {label}
        {!required && (
          <button
            type="button"
            onClick={() => context.change(path, undefined)}
            className="ml-2 min-h-11 cursor-pointer px-1 font-normal text-soft underline decoration-hair"
          >
            remove<span className="sr-only"> {label}</span>
          </button>
        )}
      </legend>
      <Problem id={id} text={problem} />
      {children}
    </fieldset>
  );
}

function Choice({
  value,
  path,
  context,
  label,
  required,
  options,
  problem,
}: FieldProps & {
  options: readonly (string | number | boolean)[];
  problem: string | undefined;
}) {
  const id = useId();
  return (
    <label className="block text-[14px] text-soft">
      {label}
      <select
        value={value === undefined ? '' : String(value)}
        aria-invalid={problem !== undefined}
        aria-describedby={problem === undefined ? undefined : id}
        onChange={(event) =>
          context.change(
            path,
            options.find((each) => String(each) === event.target.value),
          )
        }
        className={INPUT}
      >
        {(!required || value === undefined) && <option value="">—</option>}
        {options.map((each) => (
          <option key={String(each)} value={String(each)}>
            {String(each)}
          </option>
        ))}
      </select>
      <Problem id={id} text={problem} />
    </label>
  );
}

/** One of several kinds: choosing another keeps the fields that both have. */
function Variants(
  props: FieldProps & { branches: readonly Schema[]; problem: string | undefined },
) {
  const { branches, value, path, context, label } = props;
  const branch = branchOf(branches, value) ?? branches[0]!;
  const control = controlOf(branch, value);
  const change = (tag: string) => {
    const next = branches.find((each) => tagOf(each) === tag)!;
    const kept = Object.entries((value ?? {}) as Record<string, unknown>).filter(
      ([key]) => next.properties?.[key] !== undefined,
    );
    context.change(path, {
      ...(blankOf(next) as Record<string, unknown>),
      ...Object.fromEntries(kept),
      kind: tag,
    });
  };
  return (
    <Group {...props}>
      <label className="mb-2 block text-[14px] text-soft">
        kind of {label}
        <select
          value={tagOf(branch)}
          onChange={(event) => change(event.target.value)}
          className={INPUT}
        >
          {branches.map((each) => (
            <option key={tagOf(each)} value={tagOf(each)}>
              {tagOf(each)}
            </option>
          ))}
        </select>
      </label>
      {control.kind === 'object' && (
        <Fields
          properties={control.properties}
          required={control.required}
          value={value}
          path={path}
          context={context}
          omit={['kind']}
        />
      )}
    </Group>
  );
}

const NESTED = { Field, Fields };
