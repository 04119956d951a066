/** The first step: the supply off and locked, with what stays charged after it, and who may do it. */
import { highestStored } from '@jeitinho/core';
import type { Sheet } from '@jeitinho/core/sheet';
import { useJob } from '../job/job-context';
import { LicenceAsk } from './licence-ask';
import { Stores } from './stores';

export function IsolateCard() {
  const { sheet } = useJob();
  return (
    <>
      <h2 className="m-0 text-[25px] leading-tight font-bold max-lg:text-[20px]">
        Isolate and lock
      </h2>
      <p className="m-0 mt-1">
        Plug out or breaker off, locked or in your sight. Nothing inside is safe yet: do not touch
        anything.
      </p>
      <Cautions sheet={sheet} />
      <Stores />
      <LicenceAsk />
    </>
  );
}

export function Cautions({ sheet }: { sheet: Sheet }) {
  const lines = sheet.safety.cautions ?? [];
  const stored = highestStored(sheet);
  return (
    <section
      aria-label="Mind this"
      className="mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2 text-[15px]"
    >
      <p className="m-0 font-semibold text-marigold">
        Mind this:{' '}
        {stored === undefined
          ? `up to ${sheet.safety.volts} V while it is live`
          : `up to ${stored} V may be stored here`}
      </p>
      <ul className="m-0 list-none p-0">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
        <li>The maker’s instructions and local rules come first.</li>
      </ul>
    </section>
  );
}
