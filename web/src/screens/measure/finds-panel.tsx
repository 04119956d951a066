/** All that one look found: several things, each with the place or component where it is. */
import type { TakenAnswer } from '@jeitinho/core/job';
import { useId, useState } from 'react';
import { useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

type Find = NonNullable<TakenAnswer['finds']>[number];

export function FindsPanel({ taken }: { readonly taken: TakenAnswer }) {
  const { job, sheet, record } = useJob();
  const [at, setAt] = useDraft(`found.${job.id}.${taken.test.id}`);
  const [chosen, setChosen] = useState(taken.answer);
  const places = useId();
  const [open, setOpen] = useState(taken.finds !== undefined);
  const { answers } = taken.test;
  const bad = Object.keys(answers).filter((answer) => answers[answer] !== 'ok');
  const finds = taken.finds ?? [{ answer: taken.answer }];
  const say = (next: readonly Find[]) =>
    record('found', { entry: taken.entry, finds: next.map((each) => ({ ...each })) });
  const place = at.trim();
  const add = async () => {
    const find: Find = { answer: chosen, ...(place !== '' && { at: place }) };
    // Without its place it was only said that there is one.
    const others = finds.filter(
      (each) => each.answer !== chosen || (each.at !== undefined && each.at !== place),
    );
    if (await say([...others, find])) setAt('');
  };
  if (!open)
    return (
      <Button className="mt-3" onClick={() => setOpen(true)}>
        Say where, or what else
      </Button>
    );
  return (
    <section
      aria-label="What was found, and where"
      className="mt-3 max-w-xl border-l-4 border-hair pl-4"
    >
      <h2 className="m-0 text-[17px] font-bold">What was found, and where</h2>
      <ul className="m-0 list-none p-0">
        {finds.map((find, i) => (
          <li key={`${find.answer} ${find.at ?? ''}`} className="flex items-center gap-2">
            <span className="text-[17px]">
              <strong>{find.answer}</strong>
              {find.at === undefined ? ', no place said' : ` at ${find.at}`}
            </span>
            {finds.some((each, other) => other !== i && each.answer === taken.answer) && (
              <Button
                kind="quiet"
                onClick={() => void say(finds.filter((_, other) => other !== i))}
              >
                Not there
                <span className="sr-only">
                  : {find.answer} {find.at}
                </span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      <form
        data-keys="off"
        className="mt-1 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        {bad.length > 1 && (
          <label className="block text-[15px]">
            Found
            <select
              aria-label="Found"
              value={chosen}
              onChange={(event) => setChosen(event.target.value)}
              className="mt-1 block min-h-12 border border-soft bg-card px-3 text-[17px] text-ink"
            >
              {bad.map((answer) => (
                <option key={answer}>{answer}</option>
              ))}
            </select>
          </label>
        )}
        <label className="block min-w-0 flex-1 text-[15px]">
          Where: place or component
          <input
            autoComplete="off"
            list={places}
            value={at}
            maxLength={120}
            onChange={(event) => setAt(event.target.value)}
            className="mt-1 block min-h-12 w-full min-w-40 border border-soft bg-card px-3 text-[17px] text-ink"
          />
        </label>
        <datalist id={places}>
          {sheet.boards.flatMap((board) =>
            (board.marks ?? []).map(({ id, name }) => (
              <option key={`${board.id}.${id}`} value={name ?? id} />
            )),
          )}
        </datalist>
        <Button type="submit" disabled={place === '' && finds.some((f) => f.answer === chosen)}>
          Add
        </Button>
      </form>
    </section>
  );
}
