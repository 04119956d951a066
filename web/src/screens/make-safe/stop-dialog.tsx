/** Honest endings: it cannot be made safe here, or it is for somebody else. Both close the visit well. */
import { headlineOf, leadingPart } from '@jeitinho/core/diagnose';
import { ENDING_ASKS, ENDING_WORDS, stageAfter, type EndingKind } from '@jeitinho/core/job';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { useKeys } from '../../parts/keys';
import { useAssessment, useJob } from '../job/job-context';
import { JobNotice } from '../job/job-notice';
import { stagePath } from '../job/paths';

const ENDINGS: readonly [EndingKind, string][] = [
  ['cannot-make-safe', 'It cannot be made safe here'],
  ['stop-and-call', 'Stop, and call somebody who may'],
];

const LEAVING = [
  'covers closed',
  'supply locked off',
  'marked: do not open, may be charged',
  'customer told',
] as const;

export function StopButton() {
  const [open, setOpen] = useState(false);
  useKeys({ x: () => setOpen(true) }, { whileTyping: false });
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind="quiet" hint="x">
          Stop here
        </Button>
      </Dialog.Trigger>
      <DialogFrame title="Stop here">
        <StopForm />
      </DialogFrame>
    </DialogRoot>
  );
}

function StopForm() {
  const { job, state, record } = useJob();
  const assessment = useAssessment();
  const navigate = useNavigate();
  const [action, setAction] = useState<EndingKind>('cannot-make-safe');
  const [why, setWhy] = useDraft(`stop.${job.id}`);
  const [to, setTo] = useDraft(`called.${job.id}`);
  const asksTo = ENDING_ASKS[action].to;
  const [left, setLeft] = useState<readonly string[]>([]);
  const stop = async () => {
    if (why.trim() === '' || (asksTo !== undefined && to.trim() === '')) return;
    const reason = [why.trim(), left.length > 0 && `Left so: ${left.join('; ')}.`]
      .filter(Boolean)
      .join(' ');
    const leading = leadingPart(headlineOf(assessment));
    const ending = { kind: action, note: reason, ...(asksTo !== undefined && { to: to.trim() }) };
    const body = { endings: [ending], leading, probability: 0, reason: '' };
    if (!(await record('decided', body))) return;
    setWhy('');
    setTo('');
    void navigate(stagePath(job.id, stageAfter('prove', state)));
  };
  return (
    <form
      className="mt-2 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void stop();
      }}
    >
      <fieldset className="m-0 border-0 p-0">
        <legend className="text-[15px] text-soft">
          A unit left closed, marked and handed on is a respectable result.
        </legend>
        {ENDINGS.map(([value, words]) => (
          <label key={value} className="flex min-h-11 items-center gap-3 text-[18px]">
            <input
              type="radio"
              name="ending"
              checked={action === value}
              onChange={() => setAction(value)}
              className="h-6 w-6 accent-jade"
            />
            {words}
          </label>
        ))}
      </fieldset>
      {asksTo !== undefined && (
        <label className="text-[14px] text-soft">
          {asksTo}
          <input
            autoComplete="off"
            maxLength={200}
            value={to}
            onChange={(event) => setTo(event.target.value)}
            className="block min-h-12 w-full border border-soft bg-paper px-3 text-[18px] text-ink"
          />
        </label>
      )}
      <label className="text-[14px] text-soft">
        Why
        <textarea
          autoFocus
          rows={2}
          maxLength={1000}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          className="block w-full border border-soft bg-paper px-3 py-2 text-[18px] text-ink"
        />
      </label>
      <fieldset className="m-0 border-0 p-0">
        <legend className="text-[14px] text-soft">How the unit is left</legend>
        {LEAVING.map((line) => (
          <label key={line} className="flex min-h-11 items-center gap-3">
            <input
              type="checkbox"
              checked={left.includes(line)}
              onChange={(event) =>
                setLeft(
                  event.target.checked ? [...left, line] : left.filter((each) => each !== line),
                )
              }
              className="h-6 w-6 accent-jade"
            />
            {line}
          </label>
        ))}
      </fieldset>
      <JobNotice />
      <div className="flex gap-2">
        <Button
          kind="danger"
          type="submit"
          disabled={why.trim() === '' || (asksTo !== undefined && to.trim() === '')}
        >
          {ENDING_WORDS[action].split(':')[0]}
        </Button>
        <Dialog.Close asChild>
          <Button kind="quiet">Go on with the job</Button>
        </Dialog.Close>
      </div>
    </form>
  );
}
