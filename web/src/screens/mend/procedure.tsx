/** How a part goes on: its steps with their cautions, and the wires from the old one to the new; ticked one by one. */
import { expectWords } from '@jeitinho/core/judge';
import type { Procedure } from '@jeitinho/core/sheet';
import { TickLine } from '../../parts/tick-line';
import { useJob } from '../job/job-context';
import { StepPhoto } from './step-photo';
import { WireMap } from './wire-map';

/** @param of - A part or a repair of the sheet. */
export function FittingOf({ of }: { readonly of: string }) {
  const { sheet } = useJob();
  const procedures = (sheet.procedures ?? []).filter(
    (each) => each.for === of && each.kind !== 'prove',
  );
  if (procedures.length === 0) return null;
  return (
    <div className="basis-full">
      {procedures.map((procedure) => (
        <Steps key={procedure.id} procedure={procedure} />
      ))}
    </div>
  );
}

/** What is ticked of a procedure: on the record, so that whoever takes over sees it. */
function useTicks(procedure: string) {
  const { state, record } = useJob();
  const has = (what: 'step' | 'wire', at: number) => state.ticks.has(`${procedure} ${what} ${at}`);
  return {
    has,
    turn: (what: 'step' | 'wire', at: number) =>
      void record('ticked', { procedure, what, at, ...(has(what, at) && { off: true }) }),
  };
}

function Steps({ procedure }: { readonly procedure: Procedure }) {
  const { steps, wireMap, title, id } = procedure;
  const { has, turn } = useTicks(id);
  return (
    <section aria-label={title ?? id} className="mt-2 border border-hair bg-card px-4 py-2">
      <h2 className="m-0 text-[16px] font-bold">{title ?? id}</h2>
      <ol className="m-0 list-none p-0">
        {steps.map((step, i) => (
          <li key={i} className="border-b border-hair last:border-b-0">
            <span className="flex flex-wrap items-center gap-x-3">
              <TickLine checked={has('step', i)} onChange={() => turn('step', i)}>
                <span className="min-w-0 flex-1 py-1.5">
                  {step.do ??
                    (step.watch &&
                      `Watch ${step.watch.what ?? 'it'}: ${expectWords(step.watch.expect)}.`)}
                  {step.caution && (
                    <strong className="block text-[15px] text-brick">{step.caution}</strong>
                  )}
                </span>
              </TickLine>
              {step.photo && step.do !== undefined && <StepPhoto caption={step.do} />}
            </span>
          </li>
        ))}
      </ol>
      {wireMap && wireMap.length > 0 && (
        <WireMap wires={wireMap} done={(i) => has('wire', i)} onTurn={(i) => turn('wire', i)} />
      )}
    </section>
  );
}
