/** What stands in the way of entering a live state, and a reason where it costs the machine alone. */
import { sentence } from '@jeitinho/core';
import type { SheetState } from '@jeitinho/core/sheet';
import type { Entering } from './use-entering';

export function NeedsPanel({
  state,
  entering,
}: {
  readonly state: SheetState | undefined;
  readonly entering: Entering;
}) {
  const { unmet, despite, setDespite } = entering;
  if (!unmet) return null;
  const person = unmet.harm === 'person';
  return (
    <div className="mt-2 border-l-4 border-brick bg-brick-tint px-3 py-2">
      <p role="alert" className="m-0 font-semibold">
        {person ? 'Not yet: somebody could be hurt.' : 'Not yet: it could cost the machine.'}
      </p>
      <ul className="m-0 list-none p-0 text-[15px]">
        {unmet.reasons.map((reason) => (
          <li key={reason}>{sentence(reason)}.</li>
        ))}
      </ul>
      {!person && (
        <label className="mt-2 block text-[15px] font-semibold">
          {state ? 'Enter it' : 'Switch on'} all the same? Say why; it goes on the record.
          <input
            autoComplete="off"
            value={despite}
            maxLength={400}
            onChange={(event) => setDespite(event.target.value)}
            className="mt-1 block min-h-12 w-full max-w-lg border border-soft bg-card px-3 text-[17px] font-normal text-ink"
          />
        </label>
      )}
    </div>
  );
}
