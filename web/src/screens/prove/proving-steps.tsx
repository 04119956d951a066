/** How the sheet proves what was done: its steps in their order, each ticked or watched, since the last of the work. */
import type { Mended, ProvingStep } from '@jeitinho/core/job';
import { TickLine } from '../../parts/tick-line';
import { useJob } from '../job/job-context';
import { WatchStep } from './watch-step';

export function ProvingSteps({ steps }: Pick<Mended, 'steps'>) {
  const procedures = [...new Set(steps.map(({ procedure }) => procedure))];
  return procedures.map((procedure) => {
    const own = steps.filter((step) => step.procedure === procedure);
    const left = own.filter(({ is }) => is !== 'done').length;
    return (
      <section
        key={procedure.id}
        aria-label={procedure.title ?? procedure.id}
        className="mt-4 border border-hair bg-card px-4 py-2"
      >
        <h2 className="m-0 text-[17px] font-bold">
          {procedure.title ?? procedure.id}{' '}
          <span className="text-[15px] font-normal text-soft">
            {left === 0 ? 'done' : `${left} of ${own.length} to do`}
          </span>
        </h2>
        <ol className="m-0 list-none p-0">
          {own.map((step) => (
            <li key={step.at} id={stepId(step)} className="border-t border-hair">
              {procedure.steps[step.at]!.watch ? <WatchStep step={step} /> : <DoStep step={step} />}
            </li>
          ))}
        </ol>
      </section>
    );
  });
}

const stepId = ({ procedure, at }: ProvingStep): string => `prove-${procedure.id}-${at}`;

/** To the first thing in it that takes a press. */
export function toStep(step: ProvingStep): void {
  const line = document.getElementById(stepId(step));
  line?.scrollIntoView({ block: 'center' });
  line?.querySelector<HTMLElement>('input, button')?.focus();
}

function DoStep({ step: { procedure, at, is } }: { readonly step: ProvingStep }) {
  const { record } = useJob();
  const { do: words, caution } = procedure.steps[at]!;
  const tick = (on: boolean) =>
    void record('ticked', {
      procedure: procedure.id,
      what: 'step',
      at,
      ...(!on && { off: true }),
    });
  return (
    <TickLine checked={is === 'done'} onChange={tick}>
      <span className="min-w-0 flex-1 py-1.5">
        {words}
        {caution && <strong className="block text-[15px] text-brick">{caution}</strong>}
      </span>
    </TickLine>
  );
}
