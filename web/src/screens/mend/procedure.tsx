/** How a part goes on, and how it is proven: its steps with their cautions, and the wires from the old one to the new; ticked one by one. */
import { expectWords } from '@jeitinho/core/judge';
import type { Procedure } from '@jeitinho/core/sheet';
import { useDraft } from '../../data/draft';
import { TickLine } from '../../parts/tick-line';
import { useJob } from '../job/job-context';
import { WireMap } from './wire-map';

export function FittingOf({ part }: { readonly part: string }) {
  const { sheet } = useJob();
  const procedures = (sheet.procedures ?? []).filter(
    (each) => each.for === part && each.kind !== 'prove',
  );
  const died = sheet.parts.find(({ id }) => id === part)?.asksAfter ?? [];
  if (procedures.length === 0 && died.length === 0) return null;
  return (
    <div className="basis-full">
      {died.length > 0 && (
        <p className="m-0 border-l-4 border-marigold bg-marigold-tint px-3 py-1.5 text-[15px]">
          <strong>Why did the old one die?</strong> {died.join(' · ')}
        </p>
      )}
      {procedures.map((procedure) => (
        <Steps key={procedure.id} procedure={procedure} />
      ))}
    </div>
  );
}

/** How the sheet proves what was fitted: its own steps for that part, and those for any. */
export function ProvingOf({ parts }: { readonly parts: readonly string[] }) {
  const { sheet } = useJob();
  return (sheet.procedures ?? [])
    .filter((each) => each.kind === 'prove' && (each.for === undefined || parts.includes(each.for)))
    .map((procedure) => <Steps key={procedure.id} procedure={procedure} />);
}

/** What is ticked of a procedure, kept on this device: `s0` its first step, `w2` its third wire. */
function useTicks(procedure: string) {
  const { job } = useJob();
  const [kept, keep] = useDraft(`ticks.${job.id}.${procedure}`);
  const ticks = new Set(kept.split(' ').filter(Boolean));
  return {
    has: (tick: string) => ticks.has(tick),
    turn: (tick: string) => {
      if (!ticks.delete(tick)) ticks.add(tick);
      keep([...ticks].join(' '));
    },
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
            <TickLine checked={has(`s${i}`)} onChange={() => turn(`s${i}`)}>
              <span className="min-w-0 flex-1 py-1.5">
                {step.do ??
                  (step.watch &&
                    `Watch ${step.watch.what ?? 'it'}: ${expectWords(step.watch.expect)}.`)}
                {step.photo && <span className="text-soft"> · photo</span>}
                {step.caution && (
                  <strong className="block text-[15px] text-brick">{step.caution}</strong>
                )}
              </span>
            </TickLine>
          </li>
        ))}
      </ol>
      {wireMap && wireMap.length > 0 && (
        <WireMap wires={wireMap} done={(i) => has(`w${i}`)} onTurn={(i) => turn(`w${i}`)} />
      )}
    </section>
  );
}
