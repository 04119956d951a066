/** The demo's people: one press each, on this machine alone. */
import { rolesWords, type SessionResource } from '@jeitinho/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { signInDemo } from '../../data/sign-in';
import { Notice } from '../notice';
import { initialsOf } from './initials';

export function MadeUp({
  people,
  onDone,
}: {
  readonly people: SessionResource['demo'];
  readonly onDone?: () => void;
}) {
  const queries = useQueryClient();
  const coming = useMutation({
    networkMode: 'always',
    mutationFn: signInDemo,
    onSuccess: async () => {
      await queries.invalidateQueries();
      onDone?.();
    },
  });
  return (
    <>
      <ul className="m-0 list-none p-0" aria-label="Made-up people of the demo">
        {people.map(({ id, name, roles }) => (
          <li key={id} className="border-t border-hair last:border-b">
            <button
              type="button"
              disabled={coming.isPending}
              onClick={() => coming.mutate(id)}
              className="flex min-h-[84px] w-full cursor-pointer items-center gap-5 py-3 text-left"
            >
              <span
                aria-hidden="true"
                className="figure flex h-14 w-14 shrink-0 items-center justify-center border-2 border-ink text-[20px]"
              >
                {initialsOf(name)}
              </span>
              <span>
                <strong className="block text-[20px]">{name}</strong>
                <span className="block text-[15px] text-soft first-letter:uppercase">
                  {rolesWords(roles)}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-3 text-[14px] text-soft">
        Made up, like everything in this demo. They come in by one press only on this machine.
      </p>
      <Notice text={coming.error?.message} />
    </>
  );
}
