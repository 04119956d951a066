/** The phases of a sequence in their order, the events between them, and which one is being measured. */
import type { MeasureTest, TestPoint } from '@jeitinho/core/sheet';
import { Fragment } from 'react';
import { useJob } from '../job/job-context';

export function PhaseStrip({ test, point }: { test: MeasureTest; point: TestPoint }) {
  const { sheet } = useJob();
  const sequence = sheet.sequences?.find(({ id }) => id === test.id);
  if (!sequence || point.phase === undefined) return null;
  return (
    <ol
      aria-label="Phases"
      className="m-0 mb-2 flex list-none flex-wrap items-center gap-2 p-0 text-[15px]"
    >
      {sequence.phases.map(({ id, name, until }) => (
        <Fragment key={id}>
          <li
            aria-current={id === point.phase ? 'step' : undefined}
            className={`border-b-[3px] px-1 ${id === point.phase ? 'border-jade font-bold' : 'border-hair text-soft'}`}
          >
            {name ?? id}
          </li>
          {until !== undefined && (
            <li className="text-soft">
              <span aria-hidden="true">→ </span>
              <span className="sr-only">until: </span>
              {until}
              <span aria-hidden="true"> →</span>
            </li>
          )}
        </Fragment>
      ))}
    </ol>
  );
}
