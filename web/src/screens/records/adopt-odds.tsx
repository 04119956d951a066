/** Adopting what was learnt as a sheet's odds, or putting the sheet's own back; a lead's to do. */
import type { LearntResource } from '@jeitinho/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask } from '../../data/api';
import { useDraft } from '../../data/draft';
import { useMay } from '../../data/me';
import { longDay } from '../../data/now';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { many } from '../../parts/many';
import { Notice } from '../../parts/notice';

export function AdoptOdds({ learnt }: { readonly learnt: LearntResource }) {
  const { sheet, jobs, revisions } = learnt;
  const queries = useQueryClient();
  const mayAdopt = useMay('adoptOdds');
  const [note, setNote] = useDraft(`odds-note.${sheet}`);
  const [newest] = revisions;
  const adopted = newest?.kind === 'adopted';
  const upToDate = adopted && newest.jobs === jobs;
  const adopting = useMutation({
    networkMode: 'always',
    mutationFn: (take: 'learnt' | 'own') =>
      ask('adoptOdds', { params: { id: sheet }, body: { take, jobs, note: note.trim() } }),
    onSuccess: (now) => {
      setNote('');
      queries.setQueryData(['sheets', sheet, 'learnt'], now);
    },
    onError: () => queries.invalidateQueries({ queryKey: ['sheets', sheet, 'learnt'] }),
  });
  return (
    <section aria-labelledby="in-use" className="mt-4 border border-ink bg-card px-5 py-4">
      <h3 id="in-use" className="m-0 text-[17px] font-bold">
        {adopted
          ? `In use: the shop’s own odds, revision ${newest.revision}, from ${many(newest.jobs, 'job', 'jobs')}`
          : 'In use: the sheet’s own odds'}
      </h3>
      <p className="m-0 max-w-prose text-[15px] text-soft">
        New jobs open with what is in use; jobs that are open keep what they began with. The sheet
        itself stays as it is.
      </p>
      <Notice text={adopting.error?.message} />
      {mayAdopt && (
        <>
          <label className="mt-2 block max-w-[34rem] text-[14px] text-soft">
            Why, for whoever asks later
            <input
              value={note}
              maxLength={1000}
              onChange={(event) => setNote(event.target.value)}
              className={FIELD}
            />
          </label>
          <div className="mt-2 flex flex-wrap gap-3">
            <Button
              kind="go"
              disabled={jobs === 0 || upToDate || adopting.isPending}
              onClick={() => adopting.mutate('learnt')}
            >
              {upToDate ? 'Adopted' : `Adopt what ${many(jobs, 'job says', 'jobs say')}`}
            </Button>
            {adopted && (
              <Button disabled={adopting.isPending} onClick={() => adopting.mutate('own')}>
                Put the sheet’s own back
              </Button>
            )}
          </div>
        </>
      )}
      {revisions.length > 0 && (
        <ol className="m-0 mt-3 list-none border-t border-hair p-0 text-[15px]">
          {revisions.map((each) => (
            <li key={each.revision} className="border-b border-hair py-2">
              <span className="figure">{each.revision}</span> ·{' '}
              {each.kind === 'adopted'
                ? `adopted from ${many(each.jobs, 'job', 'jobs')}`
                : 'the sheet’s own put back'}{' '}
              · {each.author}, {longDay(each.at)}
              {each.note && ` · ${each.note}`}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
