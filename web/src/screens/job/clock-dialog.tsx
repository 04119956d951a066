/** Starting a clock: a name, how long, what to do meanwhile. Several run side by side. */
import { nextStep } from '@jeitinho/core/job';
import { isMeasured } from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { askToNotify, mayNotify, readySound } from '../../data/alarm';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { useKeys } from '../../parts/keys';
import { useJob } from './job-context';
import { JobNotice } from './job-notice';

const USUAL: readonly [name: string, minutes: number][] = [
  ['Soak', 10],
  ['Run test', 20],
  ['Cool down', 15],
  ['Call back', 30],
];

export function ClockButton() {
  const [open, setOpen] = useState(false);
  useKeys({ t: () => setOpen(true) }, { whileTyping: false });
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        aria-label="Start a clock"
        className="flex min-h-11 min-w-11 cursor-pointer items-center justify-center"
      >
        <svg width="24" height="24" viewBox="0 0 24 24" aria-hidden="true">
          <path
            d="M12 6v7l5 3M12 2.5v2M4 13a8 8 0 1 0 16 0 8 8 0 1 0-16 0M20 4v4M18 6h4"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.8"
          />
        </svg>
      </Dialog.Trigger>
      <DialogFrame title="Start a clock">
        <ClockForm onDone={() => setOpen(false)} />
      </DialogFrame>
    </DialogRoot>
  );
}

function ClockForm({ onDone }: { onDone: () => void }) {
  const { sheet, state, record } = useJob();
  const next = nextStep(sheet, state)?.test;
  const [name, setName] = useState('Soak');
  const [minutes, setMinutes] = useState('10');
  const [meanwhile, setMeanwhile] = useState(
    next && !isMeasured(next) ? next.title : 'Photograph the plate; clean what you can reach.',
  );
  const figure = Number(minutes.replace(',', '.'));
  const sound = figure > 0 && figure <= 10_080;
  const start = async () => {
    if (!sound || name.trim() === '') return;
    readySound();
    const body = { name: name.trim(), seconds: figure * 60, meanwhile: meanwhile.trim() };
    if (await record('clock', body)) onDone();
  };
  return (
    <form
      className="mt-3 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void start();
      }}
    >
      <div className="flex flex-wrap gap-2">
        {USUAL.map(([usual, of]) => (
          <Button
            key={usual}
            aria-pressed={usual === name}
            className="aria-pressed:border-2 aria-pressed:border-jade"
            onClick={() => {
              setName(usual);
              setMinutes(String(of));
            }}
          >
            {usual} {of} min
          </Button>
        ))}
      </div>
      <div className="flex gap-3">
        <Labelled label="What for" value={name} onChange={setName} max={80} grow />
        <Labelled label="Minutes" value={minutes} onChange={setMinutes} max={8} figures />
      </div>
      <Labelled label="Meanwhile" value={meanwhile} onChange={setMeanwhile} max={400} />
      <p role="status" className="m-0 min-h-6 text-brick">
        {sound ? '' : 'Minutes from 0.1 to a week.'}
      </p>
      <JobNotice />
      <div className="flex flex-wrap gap-2">
        <Button kind="go" type="submit" disabled={!sound || name.trim() === ''}>
          Start
        </Button>
        {mayNotify() === 'default' && (
          <Button onClick={() => void askToNotify()}>Tell me on a locked screen too</Button>
        )}
        <Dialog.Close asChild>
          <Button kind="quiet">Not now</Button>
        </Dialog.Close>
      </div>
    </form>
  );
}

interface LabelledProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly max: number;
  readonly grow?: boolean;
  readonly figures?: boolean;
}

function Labelled({ label, value, onChange, max, grow, figures }: LabelledProps) {
  return (
    <label className={`text-[14px] text-soft ${grow ? 'min-w-0 flex-1' : ''}`}>
      {label}
      <input
        value={value}
        maxLength={max}
        inputMode={figures ? 'decimal' : 'text'}
        onChange={(event) => onChange(event.target.value)}
        className={`block min-h-12 border border-soft bg-paper px-3 text-[18px] text-ink ${figures ? 'figure w-28' : 'w-full'}`}
      />
    </label>
  );
}
