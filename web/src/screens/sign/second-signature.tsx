/** A second signature, where the sheet asks for one: by somebody else than who signed. */
import { awaitsSecond } from '@jeitinho/core/job';
import { useState } from 'react';
import { useMe } from '../../data/me';
import { clockTime, longDay } from '../../data/now';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { useJob } from '../job/job-context';

export function SecondSignature() {
  const { sheet, state, record } = useJob();
  const me = useMe();
  const [note, setNote] = useState('');
  const { signed, countersigned } = state;
  if (!signed) return null;
  if (countersigned)
    return (
      <p className="no-print m-0 mb-4 border-l-4 border-jade bg-jade-tint px-4 py-3">
        {countersigned.author} looked it through and signed on {longDay(countersigned.at)},{' '}
        {clockTime(countersigned.at)}.
      </p>
    );
  if (!awaitsSecond(sheet, state)) return null;
  const same = me?.name === signed.author || me?.name === signed.body.technician;
  return (
    <section
      aria-label="Second signature"
      className="no-print mb-4 border-l-4 border-marigold bg-marigold-tint px-4 py-3"
    >
      <h2 className="m-0 text-[18px] font-bold">Waits for a second signature</h2>
      <p className="m-0">
        {same
          ? 'The sheet of this machine asks that somebody else looks the visit through. Hand them this device, or let them open the visit on theirs.'
          : `${signed.body.technician} signed it. Read the report, look at what was proven, then sign beside.`}
      </p>
      {!same && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <label className="min-w-0 flex-1 text-[14px] text-soft">
            Remark
            <input
              value={note}
              maxLength={4000}
              onChange={(event) => setNote(event.target.value)}
              className={FIELD}
            />
          </label>
          <Button
            kind="go"
            onClick={() =>
              void record('countersigned', { signature: signed.id, note: note.trim() })
            }
          >
            Sign as the second
          </Button>
        </div>
      )}
    </section>
  );
}
