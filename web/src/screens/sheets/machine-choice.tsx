/** Of a sheet for several machines: which one is read. It stands in the address, so that it can be sent on. */
import {
  machinesOf,
  plainSheet,
  type Chosen,
  type Sheet,
  type WrittenSheet,
} from '@jeitinho/core/sheet';
import { useSearchParams } from 'react-router';

export interface MachineInHand {
  readonly sheet: Sheet;
  readonly chosen: Chosen;
  /** Whether it is the one shown where nobody chose. */
  readonly first: boolean;
}

/** The machine that the address names; the first answers where it names none. */
export function useMachine(written: WrittenSheet): MachineInHand {
  const { chosen, first } = useChosen(written);
  return { sheet: plainSheet(written, chosen), chosen, first };
}

/** Which machine that is, for a sheet that may not be sound yet. */
export function useChosen(written: WrittenSheet): Omit<MachineInHand, 'sheet'> {
  const [params] = useSearchParams();
  const first: Chosen = machinesOf(written.variants ?? [])[0] ?? {};
  const named = Object.fromEntries(
    (written.variants ?? []).flatMap(({ id, answers }) => {
      const asked = params.get(`machine.${id}`);
      return asked !== null && Object.values(answers).includes(asked) ? [[id, asked]] : [];
    }),
  );
  const chosen = { ...first, ...named };
  return {
    chosen,
    first: Object.entries(first).every(([id, variant]) => chosen[id] === variant),
  };
}

/** Shown only where a sheet is for several machines. */
export function MachineChoice({
  written,
  chosen,
}: {
  readonly written: WrittenSheet;
  readonly chosen: Chosen;
}) {
  const [, setParams] = useSearchParams();
  if (!written.variants) return null;
  return (
    <fieldset className="no-print m-0 mt-3 flex flex-wrap gap-x-5 gap-y-2 border-0 border-l-4 border-jade bg-jade-tint px-4 py-2">
      <legend className="sr-only">The machine that is shown</legend>
      {written.variants.map(({ id, asks, answers }) => (
        <label key={id} className="text-[15px]">
          {asks}
          <select
            value={chosen[id]}
            onChange={(event) =>
              setParams(
                (before) => {
                  before.set(`machine.${id}`, event.target.value);
                  return before;
                },
                { replace: true },
              )
            }
            className="ml-2 min-h-11 border border-soft bg-card px-2 text-ink"
          >
            {Object.entries(answers).map(([answer, variant]) => (
              <option key={answer} value={variant}>
                {answer}
              </option>
            ))}
          </select>
        </label>
      ))}
    </fieldset>
  );
}
