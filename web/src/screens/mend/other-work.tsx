/** Work that was not decided beforehand, in one's own words. */
import { WORK_WORDS } from '@jeitinho/core/job';
import { REPAIR_KINDS } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { useJob } from '../job/job-context';
import { PartSelect } from '../job/part-select';

export function OtherWork() {
  const { job, record } = useJob();
  const [what, setWhat] = useState<(typeof REPAIR_KINDS)[number]>('cleaned');
  const [part, setPart] = useState('');
  const [note, setNote] = useDraft(`work.${job.id}`);
  const keep = async () => {
    if (await record('work', { what, note: note.trim(), ...(part !== '' && { part }) }))
      setNote('');
  };
  return (
    <details className="mt-5 border border-hair bg-card px-4 py-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        Something else was done
      </summary>
      <form
        className="grid gap-3 pb-3 sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <label className="text-[15px]">
          What
          <select
            value={what}
            onChange={(event) => setWhat(event.target.value as typeof what)}
            className={FIELD}
          >
            {REPAIR_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {WORK_WORDS[kind]}
              </option>
            ))}
          </select>
        </label>
        <label className="text-[15px]">
          On which part
          <PartSelect part={part} onPart={setPart} />
        </label>
        <label className="text-[15px] sm:col-span-2">
          In your own words
          <input
            autoComplete="off"
            value={note}
            maxLength={1000}
            onChange={(event) => setNote(event.target.value)}
            className={FIELD}
          />
        </label>
        <Button type="submit">Write it down</Button>
      </form>
    </details>
  );
}
