/** Name and password, or a passkey: the ways in of everybody who is not made up. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { signIn, signInWithPasskey } from '../../data/sign-in';
import { Button } from '../button';
import { FIELD } from '../field';
import { Notice } from '../notice';

interface WaysInProps {
  /** What they signed in with the last time. */
  readonly login?: string | undefined;
  /** Whether this address may hold passkeys. */
  readonly passkeys: boolean;
  readonly onDone?: () => void;
}

export function WaysIn({ login: known = '', passkeys, onDone }: WaysInProps) {
  const queries = useQueryClient();
  const [login, setLogin] = useState(known);
  const [password, setPassword] = useState('');
  const done = {
    networkMode: 'always' as const,
    onSuccess: async () => {
      await queries.invalidateQueries();
      onDone?.();
    },
  };
  const byPassword = useMutation({ ...done, mutationFn: () => signIn(login.trim(), password) });
  const byPasskey = useMutation({ ...done, mutationFn: signInWithPasskey });
  const problem = byPassword.error ?? byPasskey.error;
  const busy = byPassword.isPending || byPasskey.isPending;
  return (
    <div className="max-w-md">
      {passkeys && (
        <Button
          kind="go"
          className="min-h-14 w-full text-[18px]"
          disabled={busy}
          onClick={() => byPasskey.mutate()}
        >
          Sign in with a passkey
        </Button>
      )}
      <form
        className={passkeys ? 'mt-5 border-t border-hair pt-4' : ''}
        onSubmit={(event) => {
          event.preventDefault();
          byPassword.mutate();
        }}
      >
        <label className="block font-semibold">
          Sign-in name
          <input
            value={login}
            onChange={(event) => setLogin(event.target.value)}
            autoComplete="username"
            autoCapitalize="none"
            spellCheck={false}
            required
            className={FIELD}
          />
        </label>
        <label className="mt-3 block font-semibold">
          Password
          <input
            type="password"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
            autoComplete="current-password"
            required
            className={FIELD}
          />
        </label>
        <Button
          kind={passkeys ? 'plain' : 'go'}
          type="submit"
          className="mt-4 min-h-14 w-full text-[18px]"
          disabled={busy || login.trim() === '' || password === ''}
        >
          {busy ? 'One moment …' : 'Sign in'}
        </Button>
      </form>
      <Notice text={problem?.message} />
    </div>
  );
}
