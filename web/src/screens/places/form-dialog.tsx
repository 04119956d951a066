/** A few lines to fill in, in a dialog. What is typed is kept at every key, until it is saved or given up. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { fieldsIn, useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { amountIn } from '../../parts/money';
import { FIELD } from '../../parts/field';
import { Notice } from '../../parts/notice';

export interface FormField {
  readonly name: string;
  readonly label: string;
  readonly required?: boolean;
  readonly type?: 'text' | 'date' | 'tel' | 'amount';
  /** What is often there, to choose from. */
  readonly options?: readonly string[];
  /** One of these and nothing else: value and words. */
  readonly choices?: readonly (readonly [value: string, words: string])[];
}

export type FormValues = Readonly<Record<string, string>>;

export interface FormDialogProps {
  /** Words on the button that opens it. */
  readonly trigger: string;
  readonly triggerKind?: 'go' | 'plain' | 'quiet';
  readonly title: string;
  readonly fields: readonly FormField[];
  readonly start: FormValues;
  /** Under which name what is typed is kept. */
  readonly draft: string;
  readonly act: string;
  /** Gets every value, and those that differ from how they were. */
  readonly save: (values: FormValues, changed: FormValues) => Promise<unknown>;
}

export function FormDialog(props: FormDialogProps) {
  const [open, setOpen] = useState(false);
  const { trigger, triggerKind = 'plain', title } = props;
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind={triggerKind}>{trigger}</Button>
      </Dialog.Trigger>
      <DialogFrame title={title}>
        <Form {...props} onDone={() => setOpen(false)} />
      </DialogFrame>
    </DialogRoot>
  );
}

function Form({
  fields,
  start,
  draft,
  act,
  save,
  onDone,
}: FormDialogProps & { onDone: () => void }) {
  const [kept, keep] = useDraft(`form.${draft}`);
  const typed = fieldsIn<FormValues>(kept) as FormValues;
  const values: FormValues = { ...start, ...typed };
  const trimmed = Object.fromEntries(fields.map(({ name }) => [name, (values[name] ?? '').trim()]));
  const changed = Object.fromEntries(
    Object.entries(trimmed).filter(([name, value]) => value !== (start[name] ?? '')),
  );
  const missing = fields.filter(
    (field) =>
      (field.required && trimmed[field.name] === '') || isWrong(field, trimmed[field.name] ?? ''),
  );
  const queries = useQueryClient();
  const done = () => {
    keep('');
    onDone();
  };
  const saving = useMutation({
    networkMode: 'always',
    mutationFn: () => save(trimmed, changed),
    onSuccess: async () => {
      done();
      for (const name of ['places', 'units', 'jobs', 'job'])
        await queries.invalidateQueries({ queryKey: [name] });
    },
  });
  return (
    <form
      className="mt-4 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (missing.length === 0 && !saving.isPending) saving.mutate();
      }}
    >
      <Notice
        text={
          saving.isError
            ? `Nothing was saved: ${saving.error.message} What you typed is kept.`
            : undefined
        }
      />
      {fields.map((field) => (
        <Line
          key={field.name}
          field={field}
          value={values[field.name] ?? ''}
          onChange={(text) => keep(JSON.stringify({ ...typed, [field.name]: text }))}
        />
      ))}
      <div className="mt-1 flex justify-between gap-3">
        <Button kind="quiet" onClick={done}>
          Cancel
        </Button>
        <Button kind="go" type="submit" disabled={missing.length > 0 || saving.isPending}>
          {act}
        </Button>
      </div>
    </form>
  );
}

/** A sum that is none. */
const isWrong = ({ type }: FormField, value: string): boolean =>
  type === 'amount' && value.trim() !== '' && amountIn(value) === undefined;

interface LineProps {
  readonly field: FormField;
  readonly value: string;
  readonly onChange: (text: string) => void;
}

function Line({ field, value, onChange }: LineProps): ReactNode {
  const { name, label, required, type = 'text', options, choices } = field;
  const words = required ? label : `${label} (may stay blank)`;
  if (choices)
    return (
      <label className="block text-[14px] text-soft">
        {label}
        <select value={value} onChange={(event) => onChange(event.target.value)} className={FIELD}>
          {choices.map(([each, text]) => (
            <option key={each} value={each}>
              {text}
            </option>
          ))}
        </select>
      </label>
    );
  return (
    <label className="block text-[14px] text-soft">
      {words}
      <input
        type={type === 'amount' ? 'text' : type}
        inputMode={type === 'amount' ? 'decimal' : undefined}
        aria-invalid={isWrong(field, value)}
        value={value}
        maxLength={200}
        autoComplete="off"
        list={options && `list-${name}`}
        onChange={(event) => onChange(event.target.value)}
        className={FIELD}
      />
      {options && (
        <datalist id={`list-${name}`}>
          {options.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
      )}
    </label>
  );
}
