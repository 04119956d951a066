/** Devices that somebody is signed in on; each can be signed out from here. */
import type { DeviceResource } from '@jeitinho/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask } from '../../data/api';
import { momentWords } from '../../data/now';
import { Button } from '../../parts/button';
import { Notice } from '../../parts/notice';

export function DeviceList({ devices }: { readonly devices: readonly DeviceResource[] }) {
  const queries = useQueryClient();
  const ending = useMutation({
    networkMode: 'always',
    mutationFn: (id: string) => ask('endDevice', { params: { id } }),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <>
      <ul className="m-0 mt-1 list-none p-0" aria-label="Devices">
        {devices.map(({ id, name, signedInAt, seenAt, until, here }) => (
          <li
            key={id}
            className="flex min-h-16 flex-wrap items-center gap-x-4 border-b border-hair"
          >
            <span className="flex-1">
              <strong className="block text-[17px]">
                {name}
                {here && (
                  <span className="ml-2 bg-jade-tint px-2 text-[14px] font-semibold">here</span>
                )}
              </strong>
              <span className="text-[15px] text-soft">
                since {momentWords(signedInAt)}, seen {momentWords(seenAt)}; until{' '}
                {momentWords(until)} at the latest
              </span>
            </span>
            {!here && (
              <Button kind="quiet" onClick={() => ending.mutate(id)} disabled={ending.isPending}>
                Sign out<span className="sr-only"> {name}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Notice text={ending.error?.message} />
    </>
  );
}
