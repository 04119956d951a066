/** What all fields of a schema form share. */
import { createContext, useContext, type ComponentType } from 'react';
import type { Schema } from './schema';
import type { Path } from './update';

export interface FormContext {
  readonly change: (path: Path, value: unknown) => void;
  /** What is wrong at a place, by JSON path. */
  readonly problems: ReadonlyMap<string, string>;
  /** Known values of a field, by its name: parts, states, places. */
  readonly suggest: (field: string) => readonly string[];
}

export interface FieldProps {
  readonly schema: Schema;
  readonly value: unknown;
  readonly path: Path;
  readonly context: FormContext;
  readonly label: string;
  readonly required: boolean;
}

export const INPUT =
  'min-h-11 w-full border border-soft bg-card px-2 text-[15px] text-ink aria-invalid:border-2 aria-invalid:border-brick';

/** A small key beside a field: up, down, away. */
export const SMALL = 'min-h-11 min-w-11 cursor-pointer px-2 text-soft disabled:opacity-40';

export function Problem({ id, text }: { id: string; text: string | undefined }) {
  return text === undefined ? null : (
    <span id={id} className="block text-[14px] text-brick">
      {text}
    </span>
  );
}

export interface FieldsProps {
  readonly properties: Record<string, Schema>;
  readonly required: readonly string[];
  readonly value: unknown;
  readonly path: Path;
  readonly context: FormContext;
  readonly omit?: readonly string[];
}

/** Fields within fields: a list holds what the form itself draws. */
interface Nested {
  readonly Field: ComponentType<FieldProps>;
  readonly Fields: ComponentType<FieldsProps>;
}
const NestedContext = createContext<Nested | undefined>(undefined);
export const NestedFields = NestedContext.Provider;

export function useNested(): Nested {
  const nested = useContext(NestedContext);
  if (!nested) throw new Error('a field of a schema form stands outside of one');
  return nested;
}
