/** Why this test cannot be done in the machine's present state. The foot of the card has the way out. */
import { licensedByPiece, type Refusal } from '@jeitinho/core/job';
import type { SheetState } from '@jeitinho/core/sheet';
import { useJob } from '../job/job-context';
import { BackFirst } from './back-first';
import { NeedsPanel } from './needs-panel';
import type { Entering } from './use-entering';
import { LicenceAsk } from '../make-safe/licence-ask';

export interface StateGateProps {
  readonly refusal: Refusal;
  readonly state: SheetState;
  /** Who stands in reach, where the sheet asks for somebody. */
  readonly second: string;
  readonly onSecond: (name: string) => void;
  /** What stands in the way of switching on. */
  readonly powering: Entering;
}

/** Refusals that live work, with its precautions, would answer. */
export const asksForLive = ({ code }: Refusal): boolean =>
  code === 'not-live' || code === 'precautions-owed';

export function StateGate({ refusal, state, second, onSecond, powering }: StateGateProps) {
  const { sheet, state: job } = useJob();
  const meter = refusal.code === 'meter-unfit';
  const live = asksForLive(refusal);
  return (
    <section
      aria-label={
        meter
          ? 'Meter not fit'
          : live
            ? 'Live work'
            : refusal.code === 'dead-not-proven'
              ? 'Dead first'
              : 'Not so'
      }
      className="mb-4 border-l-4 border-brick bg-brick-tint px-4 py-3"
    >
      <p role="alert" className="m-0 text-[18px] font-semibold">
        {refusal.message}
      </p>
      {refusal.code === 'licence-missing' && <LicenceAsk />}
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
          <BackFirst />
          {!job.licence && <LicenceAsk />}
          {job.licence && !job.licence.body.held && !licensedByPiece(sheet) && (
            <p className="m-0 mt-2 font-semibold">
              Nobody here holds the licence: no live work. Stop and call.
            </p>
          )}
          {sheet.safety.secondPerson && (
            <label className="mt-2 block font-semibold">
              Who stands in reach and can switch off?
              <input
                autoComplete="off"
                value={second}
                maxLength={120}
                onChange={(event) => onSecond(event.target.value)}
                className="mt-1 block min-h-12 w-full max-w-sm border border-soft bg-card px-3 text-[18px] font-normal text-ink"
              />
            </label>
          )}
          <NeedsPanel state={undefined} entering={powering} />
          {state.enter && <p className="m-0 mt-2 font-semibold">{state.enter.join(' ')}</p>}
        </>
      )}
    </section>
  );
}
