/** Two that are one: the double is looked for and chosen, what will go over is said, then it is done. */
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useState } from 'react';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { FIELD } from '../../parts/field';
import { Notice } from '../../parts/notice';

export interface Double {
  readonly id: string;
  readonly title: string;
  readonly detail: string;
}

export interface MergeDialogProps {
  readonly id: string;
  /** The one that stays, as it is called. */
  readonly name: string;
  /** What most likely finds the double: its serial number, the first word of its name. */
  readonly guess: string;
  /** What belongs to the double and goes over: “visits”. */
  readonly belongings: string;
  readonly find: (words: string) => Promise<readonly Double[]>;
  readonly merge: (double: string) => Promise<unknown>;
}

export function MergeDialog(props: MergeDialogProps) {
  const [open, setOpen] = useState(false);
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind="quiet">Merge a double</Button>
      </Dialog.Trigger>
      <DialogFrame title={`Which is the same as ${props.name}?`}>
        <Choose {...props} onDone={() => setOpen(false)} />
      </DialogFrame>
    </DialogRoot>
  );
}

function Choose({ onDone, ...props }: MergeDialogProps & { readonly onDone: () => void }) {
  const { id, name, guess, belongings, find, merge } = props;
  const [words, setWords] = useState(guess);
  const [chosen, choose] = useState<Double>();
  const asked = useDeferredValue(words.trim());
  const query = useQuery({
    queryKey: ['doubles', id, asked],
    queryFn: () => find(asked),
    placeholderData: keepPreviousData,
  });
  const found = (query.data ?? []).filter((each) => each.id !== id);
  const queries = useQueryClient();
  const merging = useMutation({
    networkMode: 'always',
    mutationFn: (double: Double) => merge(double.id),
    onSuccess: async () => {
      onDone();
      await queries.invalidateQueries();
    },
  });
  return (
    <div className="mt-3 flex flex-col gap-3">
      <Notice text={merging.isError ? merging.error.message : undefined} />
      <label className="block text-[14px] text-soft">
        Find it
        <input
          type="search"
          value={words}
          maxLength={200}
          onChange={(event) => {
            setWords(event.target.value);
            choose(undefined);
          }}
          className={FIELD}
        />
      </label>
      <div role="radiogroup" aria-label="Found" className="max-h-[36vh] overflow-y-auto">
        {found.map((each) => (
          <label
            key={each.id}
            className="flex min-h-12 cursor-pointer items-center gap-3 border-b border-hair py-1"
          >
            <input
              type="radio"
              name="double"
              checked={chosen?.id === each.id}
              onChange={() => choose(each)}
              className="h-6 w-6 shrink-0 accent-[var(--jade)]"
            />
            <span>
              {each.title} <span className="block text-[14px] text-soft">{each.detail}</span>
            </span>
          </label>
        ))}
      </div>
      <p role="status" className="m-0 text-[15px] text-soft">
        {chosen
          ? `${chosen.title} goes; its ${belongings} belong to ${name} from then on. This is not taken back.`
          : query.isSuccess && found.length === 0
            ? 'No other by those words.'
            : 'Choose the one that goes.'}
      </p>
      <div className="flex justify-between gap-3">
        <Button kind="quiet" onClick={onDone}>
          Cancel
        </Button>
        <Button
          kind="danger"
          disabled={!chosen || merging.isPending}
          onClick={() => chosen && merging.mutate(chosen)}
        >
          Merge
        </Button>
      </div>
    </div>
  );
}
