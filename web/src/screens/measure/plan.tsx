/** The whole plan: every test of the sheet with its number, the state it wants, and what it said. */
import { isAsked, isOpen, takenCount, type JobState, type Taken } from '@jeitinho/core/job';
import { stateName, testsOf, wantsOf, type Test } from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { useKeys } from '../../parts/keys';
import { setGoingOn, useGoingOn, type GoingOn } from '../../data/going-on';
import { useOwnWay } from '../../data/own-way';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { useJob } from '../job/job-context';
import { SCHOOL_WORDS } from '../job/school-words';
import type { CurrentStep } from './current-step';
import { standingOf, type Standing } from './standing';

export function PlanButton({ current }: { readonly current: CurrentStep }) {
  const { sheet } = useJob();
  const [open, setOpen] = useState(false);
  useKeys({ e: () => setOpen(true) }, { whileTyping: false });
  const tests = testsOf(sheet);
  const number = tests.indexOf(current.step.test) + 1;
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="min-h-11 shrink-0 cursor-pointer border border-soft bg-card px-3 text-[15px] text-ink">
        Plan<span className="max-lg:hidden">: test</span> <span className="figure">{number}</span>{' '}
        of <span className="figure">{tests.length}</span>
        <kbd aria-hidden="true" className="figure ml-2 text-[13px] opacity-80 max-lg:hidden">
          e
        </kbd>
      </Dialog.Trigger>
      <DialogFrame title="The plan">
        <Plan current={current} onGo={() => setOpen(false)} />
        <p className="m-0 mt-4">
          <Dialog.Close asChild>
            <Button kind="quiet">Close</Button>
          </Dialog.Close>
        </p>
      </DialogFrame>
    </DialogRoot>
  );
}

interface PlanProps {
  readonly current: CurrentStep;
  readonly onGo: () => void;
}

/** Counted and drawn only once it is open. */
function Plan({ current, onGo }: PlanProps) {
  const { sheet, state } = useJob();
  const { taken, of } = takenCount(sheet, state);
  const tests = testsOf(sheet);
  return (
    <>
      <p className="m-0 mt-1 text-soft">
        {tests.length} tests with {of} readings and answers; {taken} taken.
      </p>
      <GoOnBy />
      <ol className="m-0 mt-2 list-none p-0">
        {tests.map((test, i) => (
          <PlanRow key={test.id} test={test} number={i + 1} current={current} onGo={onGo} />
        ))}
      </ol>
    </>
  );
}

const WAYS = Object.keys(SCHOOL_WORDS) as GoingOn[];

/** By what “Go on” leads from test to test. */
function GoOnBy() {
  const by = useGoingOn();
  return (
    <fieldset className="m-0 mt-2 grid grid-cols-3 gap-x-4 border-0 p-0 max-sm:grid-cols-2">
      <legend className="p-0 font-semibold">Go on by</legend>
      {WAYS.map((way) => (
        <label key={way} className="flex min-h-11 cursor-pointer items-center gap-2">
          <input
            type="radio"
            name="going-on"
            checked={by === way}
            onChange={() => setGoingOn(way)}
            className="size-5 accent-jade"
          />
          {SCHOOL_WORDS[way].way}
        </label>
      ))}
    </fieldset>
  );
}

interface PlanRowProps {
  readonly test: Test;
  readonly number: number;
  readonly current: CurrentStep;
  readonly onGo: () => void;
}

function PlanRow({ test, number, current, onGo }: PlanRowProps) {
  const { job, sheet, state } = useJob();
  const { way, turn } = useOwnWay(job.id);
  const steps = current.steps.filter((step) => step.test === test);
  const taken = steps.flatMap(({ observable }) => state.current.get(observable) ?? []);
  const skipped = steps.every(({ observable }) => state.skipped.has(observable));
  const { energy, state: wanted } = wantsOf(sheet, test);
  const here = test === current.step.test;
  const worst = worstOf(taken);
  return (
    <li className={`flex items-stretch border-b border-hair ${here ? 'bg-jade-tint' : ''}`}>
      <button
        type="button"
        aria-current={here ? 'step' : undefined}
        onClick={() => {
          current.goTo(
            (steps.find((step) => !state.current.has(step.observable)) ?? steps[0]!).observable,
          );
          onGo();
        }}
        className="flex min-h-12 min-w-0 flex-1 cursor-pointer items-center gap-3 px-2 py-1.5 text-left"
      >
        <span className="figure w-7 shrink-0 text-right text-soft">{number}</span>
        <span className="min-w-0 flex-1">
          <span className={here ? 'font-bold' : ''}>{test.title}</span>
          <span className="block text-[13px] text-soft">
            {energy === 'any' ? 'any' : energy === 'dead' ? 'dead' : stateName(wanted)}
            {!isAsked(state, test) && ' · a follow-up, not asked so far'}
          </span>
        </span>
        <Said state={state} taken={taken} of={steps.length} worst={worst} skipped={skipped} />
      </button>
      {steps.some((step) => isOpen(state, step)) && (
        <>
          <OwnChoice
            words="Next"
            name={`${test.title} next`}
            on={way.pinned === test.id}
            onTurn={() => turn('pin', test.id)}
          />
          <OwnChoice
            words="Later"
            name={`${test.title} later`}
            on={way.putOff?.includes(test.id) ?? false}
            onTurn={() => turn('put-off', test.id)}
          />
        </>
      )}
    </li>
  );
}

interface OwnChoiceProps {
  readonly words: string;
  readonly name: string;
  readonly on: boolean;
  readonly onTurn: () => void;
}

/** One’s own way: this one next, or not before the others. */
const OwnChoice = ({ words, name, on, onTurn }: OwnChoiceProps) => (
  <button
    type="button"
    aria-label={name}
    aria-pressed={on}
    onClick={onTurn}
    className="min-h-11 min-w-14 shrink-0 cursor-pointer border-l border-hair px-2 text-[14px] text-soft aria-pressed:bg-ink aria-pressed:font-bold aria-pressed:text-paper"
  >
    {words}
  </button>
);

interface SaidProps {
  readonly state: JobState;
  readonly taken: readonly Taken[];
  readonly of: number;
  readonly worst: Standing | undefined;
  readonly skipped: boolean;
}

function Said({ taken, of, worst, skipped }: SaidProps) {
  if (!worst)
    return <span className="shrink-0 text-[14px] text-soft">{skipped ? 'skipped' : 'open'}</span>;
  return (
    <span className={`flex shrink-0 items-center gap-2 text-[14px] ${VERDICT_TEXT[worst.mark]}`}>
      {taken.length < of && (
        <span className="figure text-soft">
          {taken.length}/{of}
        </span>
      )}
      {worst.words}
      <VerdictMark size={22} verdict={worst.mark} />
    </span>
  );
}

/** What is said of a test of several points: the worst of them. */
const WORST: readonly Standing['mark'][] = [
  'out',
  'void',
  'cannot-tell',
  'not-settled',
  'watch',
  'in',
];

function worstOf(taken: readonly Taken[]): Standing | undefined {
  return taken.map(standingOf).sort((a, b) => WORST.indexOf(a.mark) - WORST.indexOf(b.mark))[0];
}
