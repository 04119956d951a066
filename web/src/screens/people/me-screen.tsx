/** One's own: devices that are signed in, passkeys, the password. */
import { SHORTEST_PASSWORD } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../data/api';
import { useMe } from '../../data/me';
import { momentWords } from '../../data/now';
import { sessionOptions } from '../../data/queries';
import { makePasskey } from '../../data/sign-in';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { FIELD } from '../../parts/field';
import { Notice } from '../../parts/notice';
import { useEnded } from '../../parts/people/ended';
import { DeviceList } from './device-list';

export function MeScreen() {
  const me = useMe();
  const session = useQuery(sessionOptions());
  const devices = useQuery({ queryKey: ['devices'], queryFn: () => ask('devices', {}) });
  return (
    <DeskFrame>
      <h1 className="m-0 text-[25px] font-bold">{me?.name ?? 'You'}</h1>
      <p className="m-0 text-soft">
        Your devices, and how you come in. A device that is lost is signed out here.
      </p>
      <Licences />
      <section aria-labelledby="devices" className="mt-7">
        <h2 id="devices" className="m-0 text-[20px] font-bold">
          Signed in
        </h2>
        <Notice
          text={
            devices.isError
              ? 'Your devices cannot be fetched: the server does not answer.'
              : undefined
          }
        />
        <DeviceList devices={devices.data ?? []} />
      </section>
      {session.data?.hasPassword && (
        <>
          <Passkeys offered={session.data.passkeys} />
          <NewPassword />
        </>
      )}
    </DeskFrame>
  );
}

function Licences() {
  const me = useMe();
  const ended = useEnded();
  if (!me || me.licences.length === 0) return null;
  return (
    <section aria-labelledby="licences" className="mt-7">
      <h2 id="licences" className="m-0 text-[20px] font-bold">
        Your licences
      </h2>
      <ul className="m-0 mt-1 list-none p-0">
        {me.licences.map(({ name, until }) => (
          <li key={name} className="flex min-h-12 items-center gap-4 border-b border-hair">
            <span className="flex-1">{name}</span>
            <span className={ended(until) ? 'font-semibold text-brick' : 'text-soft'}>
              {until === null ? 'does not end' : ended(until) ? `ended ${until}` : `until ${until}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Passkeys({ offered }: { readonly offered: boolean }) {
  const queries = useQueryClient();
  const keys = useQuery({ queryKey: ['passkeys'], queryFn: () => ask('passkeys', {}) });
  const again = { onSuccess: () => queries.invalidateQueries({ queryKey: ['passkeys'] }) };
  const making = useMutation({ ...again, networkMode: 'always', mutationFn: makePasskey });
  const dropping = useMutation({
    ...again,
    networkMode: 'always',
    mutationFn: (id: string) => ask('dropPasskey', { params: { id } }),
  });
  return (
    <section aria-labelledby="passkeys" className="mt-7">
      <h2 id="passkeys" className="m-0 text-[20px] font-bold">
        Passkeys
      </h2>
      <p className="m-0 max-w-prose text-soft">
        A touch or a look at this device instead of a password. Nobody can guess it or have it told.
      </p>
      <ul className="m-0 mt-1 list-none p-0" aria-label="Your passkeys">
        {(keys.data ?? []).map(({ id, name, madeAt, usedAt }) => (
          <li
            key={id}
            className="flex min-h-14 flex-wrap items-center gap-x-4 border-b border-hair"
          >
            <span className="flex-1">
              <strong>{name}</strong>{' '}
              <span className="text-soft">
                made {momentWords(madeAt)}
                {usedAt !== null && `, used ${momentWords(usedAt)}`}
              </span>
            </span>
            <Button kind="quiet" onClick={() => dropping.mutate(id)} disabled={dropping.isPending}>
              Put away<span className="sr-only"> {name}</span>
            </Button>
          </li>
        ))}
      </ul>
      <Notice text={(making.error ?? dropping.error)?.message} />
      {offered ? (
        <Button className="mt-3" onClick={() => making.mutate()} disabled={making.isPending}>
          Make a passkey on this device
        </Button>
      ) : (
        <p className="mt-2 mb-0 text-[14px] text-soft">
          Passkeys belong to a name over a secure connection. Open this server by its name, not its
          number, to make one.
        </p>
      )}
    </section>
  );
}

function NewPassword() {
  const [old, setOld] = useState('');
  const [password, setPassword] = useState('');
  const changing = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('setPassword', { body: { old, password } }),
    onSuccess: () => {
      setOld('');
      setPassword('');
    },
  });
  return (
    <section aria-labelledby="password" className="mt-7 max-w-md">
      <h2 id="password" className="m-0 text-[20px] font-bold">
        Password
      </h2>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          changing.mutate();
        }}
      >
        <label className="mt-2 block font-semibold">
          The one until now
          <input
            type="password"
            value={old}
            onChange={(event) => setOld(event.target.value)}
            autoComplete="current-password"
            className={FIELD}
          />
        </label>
        <label className="mt-3 block font-semibold">
          A new one, {SHORTEST_PASSWORD} characters or more
          <input
            type="password"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
            autoComplete="new-password"
            className={FIELD}
          />
        </label>
        <Notice text={changing.error?.message} />
        <p role="status" className="m-0 min-h-7">
          {changing.isSuccess ? 'Changed. Your other devices are signed out.' : ''}
        </p>
        <Button
          type="submit"
          disabled={old === '' || password.length < SHORTEST_PASSWORD || changing.isPending}
        >
          Change the password
        </Button>
      </form>
    </section>
  );
}
