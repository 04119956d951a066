/** What was done so far, in order. */
import { entryWords } from '@jeitinho/core/job';
import { clockTime } from '../../data/now';
import { useJob } from '../job/job-context';

export function WorkDone() {
  const { sheet, state } = useJob();
  if (state.works.length === 0) return null;
  return (
    <section aria-labelledby="work-done" className="mt-5">
      <h2 id="work-done" className="m-0 text-[17px] font-bold">
        Done so far
      </h2>
      <ol className="m-0 list-none p-0">
        {state.works.map((work) => (
          <li key={work.id} className="flex gap-4 border-b border-hair py-1.5">
            <span className="figure text-soft">{clockTime(work.at)}</span>
            {entryWords(state.log.find(({ id }) => id === work.id) ?? work, sheet)}
          </li>
        ))}
      </ol>
    </section>
  );
}
