/** What every test wants before its figure counts, as one table: a row a test, a column a want. */
import type { Test, WrittenSheet } from '@jeitinho/core/sheet';
import { useId } from 'react';
import type { FormContext } from '../../../parts/schema-form/schema-form';

export interface ConditionsSectionProps {
  readonly sheet: WrittenSheet;
  readonly context: FormContext;
}

const CELL = 'border border-hair p-0.5 text-left align-top';
const INPUT = 'min-h-11 w-full border-0 bg-card px-1.5 text-[14px] text-ink';

export function ConditionsSection({ sheet, context }: ConditionsSectionProps) {
  const accesses = (sheet.access ?? []).map(({ id }) => id);
  const tests = sheet.tests.map(({ id }) => id);
  return (
    <div
      className="relative overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="Table of conditions"
    >
      <table className="border-collapse bg-card text-[14px]">
        <caption className="pb-2 text-left text-[15px] text-soft">
          What must be so for a figure to count. Several in one field: with commas between them.
        </caption>
        <thead className="text-soft">
          <tr>
            {[
              'test',
              'state',
              'energy',
              'out',
              'in',
              'isolated by',
              'fed by',
              'after',
              'contact',
            ].map((each) => (
              <th key={each} scope="col" className="border border-hair px-2 py-1 text-left">
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sheet.tests.map((test, i) => (
            <Row
              key={i}
              test={test}
              states={sheet.states.map(({ id }) => id)}
              accesses={accesses}
              tests={tests}
              put={(field, value) => context.change(['tests', i, field], value)}
              wrong={(field) =>
                [...context.problems.keys()].some((path) => path.startsWith(`/tests/${i}/${field}`))
              }
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps {
  readonly test: Test;
  readonly states: readonly string[];
  readonly accesses: readonly string[];
  readonly tests: readonly string[];
  readonly put: (field: string, value: unknown) => void;
  readonly wrong: (field: string) => boolean;
}

function Row({ test, states, accesses, tests, put, wrong }: RowProps) {
  const access = test.access ?? {};
  const where = (side: 'in' | 'out') => Object.keys(access).filter((id) => access[id] === side);
  const putAccess = (side: 'in' | 'out', ids: readonly string[] | undefined) => {
    const others = Object.entries(access).filter(([, at]) => at !== side);
    const next = Object.fromEntries([...others, ...(ids ?? []).map((id) => [id, side] as const)]);
    put('access', Object.keys(next).length > 0 ? next : undefined);
  };
  const name = (field: string) => `${test.title}: ${field}`;
  const choice = (
    field: 'state' | 'energy' | 'contact',
    options: readonly string[],
    none?: string,
  ) => (
    <select
      aria-label={name(field)}
      aria-invalid={wrong(field)}
      value={test[field] ?? ''}
      onChange={(event) => put(field, event.target.value || undefined)}
      className={`${INPUT} min-w-28`}
    >
      {none !== undefined && <option value="">{none}</option>}
      {options.map((each) => (
        <option key={each}>{each}</option>
      ))}
    </select>
  );
  return (
    <tr>
      <th scope="row" className="border border-hair px-2 py-1 text-left font-normal">
        <span className="figure">{test.id}</span>
        <span className="block text-soft">{test.title}</span>
      </th>
      <td className={CELL}>{choice('state', states)}</td>
      <td className={CELL}>{choice('energy', ['dead', 'live', 'any'], 'as its state')}</td>
      <td className={CELL}>
        <Names
          label={name('out')}
          wrong={wrong('access')}
          known={accesses}
          value={where('out')}
          onValue={(ids) => putAccess('out', ids)}
        />
      </td>
      <td className={CELL}>
        <Names
          label={name('in')}
          wrong={wrong('access')}
          known={accesses}
          value={where('in')}
          onValue={(ids) => putAccess('in', ids)}
        />
      </td>
      {(['isolates', 'fedBy', 'after'] as const).map((field) => (
        <td key={field} className={CELL}>
          <Names
            label={name(field)}
            wrong={wrong(field)}
            known={field === 'isolates' ? accesses : tests}
            value={test[field] ?? []}
            onValue={(ids) => put(field, ids)}
          />
        </td>
      ))}
      <td className={CELL}>
        {choice('contact', ['absence', 'clears', 'never'], 'for an absence')}
      </td>
    </tr>
  );
}

interface NamesProps {
  readonly label: string;
  readonly wrong: boolean;
  readonly known: readonly string[];
  readonly value: readonly string[];
  readonly onValue: (names: readonly string[] | undefined) => void;
}

/** Several names in one field, taken when it is left, so that a comma can be typed. */
function Names({ label, wrong, known, value, onValue }: NamesProps) {
  const list = useId();
  const shown = value.join(', ');
  return (
    <>
      <input
        // Anew when it was changed from elsewhere, by undo or in its own form.
        key={shown}
        aria-label={label}
        aria-invalid={wrong}
        defaultValue={shown}
        list={list}
        autoComplete="off"
        onBlur={(event) => {
          const names = event.target.value
            .split(',')
            .map((each) => each.trim())
            .filter(Boolean);
          if (names.join(', ') !== shown) onValue(names.length > 0 ? names : undefined);
        }}
        className={`${INPUT} min-w-28 aria-invalid:outline-2 aria-invalid:outline-brick`}
      />
      <datalist id={list}>
        {known.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
    </>
  );
}
