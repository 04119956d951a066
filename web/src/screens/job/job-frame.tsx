/** The frame: trail on the left, the card in the middle, the strip on the right, energy on top. */
import { pairsOf } from '@jeitinho/core';
import { progressOf } from '@jeitinho/core/job';
import { memo } from 'react';
import { Link, NavLink, Outlet, useLocation } from 'react-router';
import { EnergyBadge } from '../../parts/energy-badge';
import { HelpButton } from '../../parts/keys-help';
import { Notice } from '../../parts/notice';
import { ThemeSwitch } from '../../parts/theme-switch';
import { useJob, useSettled, useWriting } from './job-context';
import { AdviceProvider } from './advice';
import { ClockButton } from './clock-dialog';
import { JobClock, SavedState } from './job-status';
import { SpeechButton } from './speech-dialog';
import { stagePath } from './paths';
import { useVoltsWatch } from './volts-watch';
import { PhoneStrip, Strip } from './strip';

/** Looks at nothing that an entry changes: what does is drawn anew by itself, the frame around it is not. */
export function JobFrame() {
  // Tables need the room, and the suspects in full say what the strip would.
  const wide = /\/(suspects|history)$/.test(useLocation().pathname);
  return (
    <AdviceProvider>
      <VoltsWatch />
      <div
        className={`print-flow grid h-[calc(100dvh-var(--rail,0px))] ${wide ? 'grid-cols-[188px_minmax(0,1fr)]' : 'grid-cols-[188px_minmax(0,1fr)_316px]'} grid-rows-[60px_minmax(0,1fr)] max-lg:grid-cols-1 max-lg:grid-rows-[auto_auto_minmax(0,1fr)_auto]`}
      >
        <TopBar />
        <Trail />
        <main className="print-flow flex min-h-0 min-w-0 flex-col lg:border-r lg:border-hair">
          <div className="no-print">
            <StandingNotice />
          </div>
          <Outlet />
        </main>
        {!wide && (
          <aside
            aria-label="Suspects and roll"
            className="no-print min-h-0 overflow-y-auto max-lg:hidden"
          >
            <Strip />
          </aside>
        )}
        <PhoneStrip />
      </div>
    </AdviceProvider>
  );
}

function VoltsWatch() {
  useVoltsWatch();
  return null;
}

function StandingNotice() {
  const { notice, dismiss } = useJob();
  return <Notice text={notice} onClose={dismiss} />;
}

function TopBar() {
  const { job } = useWriting();
  return (
    <header className="no-print col-span-full flex items-stretch border-b border-ink max-lg:flex-col">
      <Link
        to="/"
        className="flex w-[188px] shrink-0 items-center border-r border-hair px-[18px] text-[20px] font-bold text-ink no-underline max-lg:hidden"
      >
        Jeitinho
      </Link>
      <div className="flex min-w-0 flex-1 items-center gap-3 px-[18px] max-lg:min-h-12 max-lg:px-3.5">
        <Link
          to="/"
          aria-label="To Today"
          className="flex min-h-11 min-w-11 items-center text-[22px] text-ink no-underline lg:hidden"
        >
          ‹
        </Link>
        <div className="min-w-0 flex-1 lg:flex lg:items-baseline lg:gap-3">
          <strong className="block truncate text-[18px] lg:shrink-0">{job.unit.label}</strong>
          <span className="block truncate text-[15px] text-soft max-lg:text-[13px]">
            {job.unit.maker} {job.unit.model} · {job.site.name}
          </span>
        </div>
        <span className="lg:hidden">
          <SavedState />
        </span>
      </div>
      <div className="flex items-stretch max-lg:justify-between">
        <div className="max-lg:min-w-0 max-lg:flex-1 max-lg:overflow-hidden">
          <Energy />
        </div>
        <Tools />
      </div>
    </header>
  );
}

/** At once: what may be touched does not wait for anything. */
function Energy() {
  const { sheet, state } = useJob();
  return <EnergyBadge energy={state.energy} pairs={pairsOf(sheet).length} />;
}

const Tools = memo(function Tools() {
  return (
    <div className="flex items-center gap-3 border-l border-hair px-4 max-lg:gap-1 max-lg:px-1">
      <span className="max-lg:hidden">
        <JobClock />
      </span>
      <ClockButton />
      <SpeechButton />
      <HelpButton />
      <span className="max-lg:hidden">
        <SavedState />
      </span>
      <span className="max-lg:hidden">
        <ThemeSwitch />
      </span>
    </div>
  );
});

function Trail() {
  const { job } = useWriting();
  const { sheet, state } = useSettled();
  const { pathname } = useLocation();
  const here = (stage: string) => pathname.endsWith(`/${stage}`);
  // Mend and Prove are there once something is to be mended.
  const progress = progressOf(sheet, state).filter(({ stage, wanted }) => wanted || here(stage));
  return (
    <nav
      aria-label="Trail"
      className="no-print min-h-0 overflow-y-auto border-r border-hair py-4 max-lg:border-r-0 max-lg:border-b max-lg:px-2 max-lg:py-0"
    >
      <ol className="m-0 list-none p-0 max-lg:flex">
        {progress.map(({ stage, name, done, note }) => (
          <TrailStage
            key={stage}
            {...{ name, done, note }}
            to={stagePath(job.id, stage)}
            here={here(stage)}
          />
        ))}
      </ol>
    </nav>
  );
}

interface TrailStageProps {
  readonly to: string;
  readonly name: string;
  readonly done: boolean;
  readonly note: string;
  readonly here: boolean;
}

const TrailStage = memo(function TrailStage({ to, name, done, note, here }: TrailStageProps) {
  return (
    <li className="max-lg:flex-1">
      <NavLink
        to={to}
        aria-label={`${name}${done ? ', done' : ''}${note ? `, ${note}` : ''}`}
        className="group flex min-h-[44px] items-center gap-3 px-[18px] text-ink no-underline max-lg:flex-col max-lg:justify-center max-lg:gap-1 max-lg:px-0.5"
      >
        <span
          aria-hidden="true"
          className={`h-3.5 w-3.5 shrink-0 border-2 max-lg:h-1.5 max-lg:w-full max-lg:border-0 ${
            here
              ? 'border-jade max-lg:bg-jade'
              : done
                ? 'border-soft bg-soft'
                : 'border-soft max-lg:bg-hair'
          }`}
        />
        <span
          className={`flex-1 whitespace-nowrap max-lg:text-[12px] ${here ? 'font-bold text-ink' : 'text-soft'}`}
        >
          {name}
        </span>
        <span className="figure text-[14px] text-soft max-lg:hidden">{note}</span>
      </NavLink>
    </li>
  );
});
