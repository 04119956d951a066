/** What can be tried without a meter: what it takes, how often it mends the job by itself, its steps counted. */
import { knownOf, mendsByItself } from '@jeitinho/core/diagnose';
import type { Try } from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { readySound } from '../../data/alarm';
import { Button } from '../../parts/button';
import { CountedStep } from '../../parts/counted-step';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { percent } from '../../parts/percent';
import { useSettled, useWriting } from './job-context';
import { JobNotice } from './job-notice';
import { stagePath } from './paths';

/** What mends less often is not worth a line. */
const WORTH_A_LINE = 0.01;

export function QuickTries() {
  const { sheet, state } = useSettled();
  const [open, setOpen] = useState<Try>();
  if (!sheet.tries?.length) return null;
  const { inference } = knownOf(sheet, state);
  const worth = sheet.tries
    .filter(({ id }) => !state.works.some(({ body }) => body.repair === id))
    .map((way) => ({ way, chance: mendsByItself(inference, way.cures) }))
    .filter(({ chance }) => chance >= WORTH_A_LINE)
    .sort((a, b) => b.chance - a.chance);
  if (worth.length === 0) return null;
  return (
    <section aria-label="Quick to try" className="mt-2 border-l-4 border-copper bg-card px-3 py-2">
      {worth.map(({ way, chance }) => (
        <p key={way.id} className="m-0 text-[15px]">
          <button
            type="button"
            onClick={() => {
              readySound();
              setOpen(way);
            }}
            className="min-h-11 cursor-pointer text-left font-semibold text-ink underline decoration-copper underline-offset-4"
          >
            Try: {way.name}
            {way.minutes ? `, ${way.minutes} min` : ''}
          </button>{' '}
          <span className="text-soft">
            mends it by itself in <span className="figure">{percent(chance)}</span> of cases
          </span>
        </p>
      ))}
      <DialogRoot open={open !== undefined} onOpenChange={(now) => !now && setOpen(undefined)}>
        {open && (
          <DialogFrame title={open.name}>
            <TryForm way={open} onDone={() => setOpen(undefined)} />
          </DialogFrame>
        )}
      </DialogRoot>
    </section>
  );
}

function TryForm({ way, onDone }: { readonly way: Try; readonly onDone: () => void }) {
  const { job, record } = useWriting();
  const navigate = useNavigate();
  const done = async () => {
    const body = { what: way.what ?? ('other' as const), repair: way.id, note: '' };
    if (!(await record('work', body))) return;
    onDone();
    void navigate(stagePath(job.id, 'prove'));
  };
  return (
    <>
      {way.hazard && (
        <p className="m-0 mt-2 border-l-4 border-brick bg-brick-tint px-3 py-2">{way.hazard}</p>
      )}
      <ol className="m-0 mt-3 list-none p-0">
        {(way.steps ?? []).map((step, i) => (
          <CountedStep key={step} number={i + 1} step={step} seconds={way.counts?.[i] ?? 0} />
        ))}
      </ol>
      <JobNotice />
      <p className="m-0 mt-2 text-[15px] text-soft">
        It is written down as work: what it touches is looked at anew, and working now is not
        mended.
      </p>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button kind="go" onClick={() => void done()}>
          Done: see whether it helped
        </Button>
        <Dialog.Close asChild>
          <Button kind="quiet">Not now</Button>
        </Dialog.Close>
      </div>
    </>
  );
}
