/** The faults that the table suggests; those that make no sense on this machine are left out by a touch. */
import { sharesOf } from '@jeitinho/core/diagnose';
import { outcomeWords } from '@jeitinho/core/judge';
import type { Sheet } from '@jeitinho/core/sheet';

export interface ProposalsProps {
  readonly sheet: Sheet;
  readonly dropped: ReadonlySet<string>;
  readonly onToggle: (fault: string) => void;
}

export function Proposals({ sheet, dropped, onToggle }: ProposalsProps) {
  const part = (id: string) => sheet.parts.find((each) => each.id === id)?.name ?? id;
  return (
    <section aria-label="Proposed faults" className="mt-5">
      <h2 className="m-0 text-[18px] font-bold">Proposed faults</h2>
      <p className="m-0 mb-2 text-[15px] text-soft">
        The board behind each connector, the load at the other end, the harness between, the supply
        upstream. Untick what this machine does not have; more can be written in the editor later.
      </p>
      <ul className="m-0 grid list-none gap-2 p-0 lg:grid-cols-2">
        {sheet.faults.map((fault) => (
          <li key={fault.id}>
            <label className="flex min-h-11 cursor-pointer items-start gap-3 border border-hair bg-card px-3 py-2">
              <input
                type="checkbox"
                checked={!dropped.has(fault.id)}
                onChange={() => onToggle(fault.id)}
                className="mt-0.5 h-6 w-6 shrink-0 accent-[var(--jade)]"
              />
              <span className="min-w-0">
                <strong>{fault.name}</strong>{' '}
                <span className="text-[14px] text-soft">
                  {fault.part === undefined ? 'no part' : part(fault.part)} · shows{' '}
                  {Object.keys(fault.shows).length}:{' '}
                  {[
                    ...new Set(
                      Object.values(fault.shows).flatMap((shown) => Object.keys(sharesOf(shown))),
                    ),
                  ]
                    .map(outcomeWords)
                    .join(', ')}
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}
