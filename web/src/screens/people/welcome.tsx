/** Somebody comes in by a link: what it is for, a name to sign in with, a password. */
import { SHORTEST_PASSWORD } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ask } from '../../data/api';
import { comeInByLink } from '../../data/sign-in';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { Notice } from '../../parts/notice';

const WORDS = {
  owner: ['Begin this shop', 'You become its owner: you let others in, and keep its data.'],
  joins: ['Welcome', 'Choose how you sign in. Your name stands under everything you measure.'],
  recovers: ['Your way back in', 'Choose a new password. All your devices were signed out.'],
} as const;

export function WelcomeScreen() {
  // Behind the mark: it went to no server, and leaves the address with this page.
  const [token] = useState(() => window.location.hash.slice(1));
  const link = useQuery({
    queryKey: ['link', token],
    queryFn: () => ask('lookAtLink', { body: { token } }),
    retry: false,
    enabled: token !== '',
    staleTime: Infinity,
  });
  const kind = link.data?.kind ?? 'joins';
  const [title, words] = WORDS[kind];
  return (
    <main className="mx-auto max-w-xl px-6 py-10 max-lg:px-4 max-lg:py-6">
      <p className="m-0 text-[20px] font-bold">Jeitinho</p>
      <h1 className="m-0 mt-6 text-[30px] leading-tight font-bold">
        {link.data?.name ? `${title}, ${link.data.name}` : title}
      </h1>
      {token === '' || link.isError ? (
        <Notice
          text={link.error?.message ?? 'This address lacks its end: open the link as you got it.'}
        />
      ) : link.isPending ? (
        <p className="text-soft">One moment …</p>
      ) : (
        <>
          <p className="text-soft">{words}</p>
          <Choose token={token} named={link.data.name} login={link.data.login} />
        </>
      )}
    </main>
  );
}

interface ChooseProps {
  readonly token: string;
  readonly named: string;
  readonly login: string;
}

function Choose({ token, named, login: known }: ChooseProps) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [login, setLogin] = useState(known);
  const [password, setPassword] = useState('');
  const coming = useMutation({
    networkMode: 'always',
    mutationFn: () =>
      comeInByLink({
        token,
        login: login.trim(),
        password,
        ...(named === '' && { name: name.trim() }),
      }),
    onSuccess: async () => {
      await queries.invalidateQueries();
      void navigate('/', { replace: true });
    },
  });
  const short = SHORTEST_PASSWORD - password.length;
  const ready = login.trim().length >= 2 && short <= 0 && (named !== '' || name.trim() !== '');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) coming.mutate();
      }}
    >
      {named === '' && (
        <label className="mt-3 block font-semibold">
          Your name
          <span className="block text-[14px] font-normal text-soft">
            As it stands on reports: “Davi Moura”.
          </span>
          <input
            value={name}
            maxLength={120}
            onChange={(event) => setName(event.target.value)}
            autoComplete="name"
            className={FIELD}
          />
        </label>
      )}
      <label className="mt-3 block font-semibold">
        Sign-in name
        <span className="block text-[14px] font-normal text-soft">Short, without blanks.</span>
        <input
          value={login}
          maxLength={80}
          onChange={(event) => setLogin(event.target.value)}
          autoComplete="username"
          autoCapitalize="none"
          spellCheck={false}
          className={FIELD}
        />
      </label>
      <label className="mt-3 block font-semibold">
        Password
        <span className="block text-[14px] font-normal text-soft">
          {SHORTEST_PASSWORD} characters or more. A sentence is easy to keep and hard to guess.
        </span>
        <input
          type="password"
          value={password}
          maxLength={200}
          onChange={(event) => setPassword(event.target.value)}
          autoComplete="new-password"
          className={FIELD}
        />
      </label>
      <p role="status" className="m-0 min-h-7 text-[14px] text-soft">
        {password !== '' && short > 0 ? `${short} more.` : ''}
      </p>
      <Notice text={coming.error?.message} />
      <Button
        kind="go"
        type="submit"
        className="mt-2 min-h-14 w-full text-[18px]"
        disabled={!ready || coming.isPending}
      >
        Come in
      </Button>
    </form>
  );
}
