/** The points of one test as a table being filled. */
import { readingWords } from '@jeitinho/core/judge';
import {
  expectOf,
  observableId,
  phaseName,
  placementWords,
  type MeasureTest,
  type TestPoint,
} from '@jeitinho/core/sheet';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { useJob } from '../job/job-context';
import { standingOf } from './standing';
import { readingAt } from './told';

export interface PointTableProps {
  readonly test: MeasureTest;
  readonly current: TestPoint;
  readonly onPick: (observable: string) => void;
}

export function PointTable({ test, current, onPick }: PointTableProps) {
  const { sheet, state } = useJob();
  return (
    <table className="mt-3 w-full border-collapse bg-card text-left text-[15px]">
      <caption className="sr-only">{test.title}, point by point</caption>
      <thead>
        <tr className="text-[14px] text-soft">
          <th scope="col" className="border border-hair px-2.5 py-1.5 font-normal">
            point
          </th>
          <th scope="col" className="border border-hair px-2.5 py-1.5 font-normal max-lg:hidden">
            leads
          </th>
          <th scope="col" className="border border-hair px-2.5 py-1.5 font-normal">
            reading
          </th>
          <th scope="col" className="border border-hair px-2.5 py-1.5 font-normal">
            verdict
          </th>
        </tr>
      </thead>
      <tbody>
        {test.points.map((point) => {
          const observable = observableId(test, point.id);
          const taken = readingAt(state, test, point);
          const skipped = state.skipped.has(observable);
          const now = point === current;
          const phase = phaseName(sheet, test, point);
          return (
            <tr
              key={point.id}
              aria-current={now ? 'true' : undefined}
              className={now ? 'outline-2 -outline-offset-2 outline-jade' : ''}
            >
              <th scope="row" className="border border-hair p-0 font-normal">
                <button
                  type="button"
                  onClick={() => onPick(observable)}
                  className={`figure min-h-11 w-full cursor-pointer px-2.5 text-left ${now ? 'font-bold' : ''}`}
                >
                  {point.name ?? point.id}
                  {phase !== undefined && (
                    <span className="block font-sans text-[13px] text-soft">{phase}</span>
                  )}
                </button>
              </th>
              <td className="border border-hair px-2.5 max-lg:hidden">
                {placementWords(sheet, point)}
              </td>
              <td className="figure border border-hair px-2.5">
                {!taken
                  ? ''
                  : readingWords(
                      taken.reading,
                      expectOf(test, point).unit,
                      taken.judgement.corrected,
                    )}
              </td>
              <td className="border border-hair px-2.5">
                {taken ? (
                  <span
                    className={`flex items-center gap-2 ${VERDICT_TEXT[standingOf(taken).mark]}`}
                  >
                    <VerdictMark
                      size={24}
                      verdict={standingOf(taken).mark}
                      outcome={taken.judgement.outcome}
                      edge={taken.judgement.edge}
                    />
                    {standingOf(taken).words}
                  </span>
                ) : (
                  <span className="text-soft">
                    {skipped ? 'skipped' : now ? 'now' : 'not taken'}
                  </span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
