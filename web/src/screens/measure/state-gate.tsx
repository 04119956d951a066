/** Why this test cannot be done in the machine's present state. The foot of the card has the way out. */
import type { Refusal, SheetState } from '@jeitinho/core';
import { useJob } from '../job/job-context';

export function StateGate({ refusal, state }: { refusal: Refusal; state: SheetState }) {
  const { sheet } = useJob();
  const meter = refusal.code === 'meter-unfit';
  const live = refusal.code !== 'dead-not-proven' && !meter;
  return (
    <section
      aria-label={meter ? 'Meter not fit' : live ? 'Live work' : 'Dead first'}
      className="mb-4 border-l-4 border-brick bg-brick-tint px-4 py-3"
    >
      <p role="alert" className="m-0 text-[18px] font-semibold">
        {refusal.message}
      </p>
      {live && (
        <>
          <ul className="m-0 mt-1 list-none p-0">
            {sheet.safety.liveCautions?.map((line) => (
              <li key={line}>{line}</li>
            ))}
            <li>
              Up to {sheet.safety.volts} V on this unit. The maker’s instructions and local rules
              come first.
            </li>
          </ul>
          {state.enter && <p className="m-0 mt-2 font-semibold">{state.enter.join(' ')}</p>}
        </>
      )}
    </section>
  );
}
