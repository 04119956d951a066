/** A tablet changes hands: the one press that opened this, and one on a name. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { ApiProblem, ask, Unreachable } from '../../data/api';
import { forgetKnown, goOnAs, useHere, type Known } from '../../data/me';
import { sessionOptions } from '../../data/queries';
import { signInDemo, signInWithPasskey, signOut } from '../../data/sign-in';
import { Button } from '../button';
import { DialogFrame, DialogRoot } from '../dialog-frame';
import { Notice } from '../notice';
import { initialsOf } from './initials';
import { MadeUp } from './made-up';
import { WaysIn } from './ways-in';

/** What is one's own, and the way out. */
function Own({ onDone }: { readonly onDone: () => void }) {
  const { me, signedOut } = useHere();
  const queries = useQueryClient();
  const leaving = useMutation({
    networkMode: 'always',
    mutationFn: signOut,
    onSuccess: () => {
      onDone();
      queries.clear();
    },
  });
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-x-2 border-t border-ink pt-3">
        <Dialog.Close className="min-h-11 cursor-pointer border border-soft px-4">
          {me ? `Leave it with ${me.name}` : 'Close'}
        </Dialog.Close>
        {me && !signedOut && (
          <>
            <Link to="/me" onClick={onDone} className="inline-flex min-h-11 items-center px-2">
              You and your devices
            </Link>
            <Button kind="quiet" onClick={() => leaving.mutate()} disabled={leaving.isPending}>
              Sign out here
            </Button>
          </>
        )}
      </div>
      <Notice text={leaving.isError ? `Still signed in: ${leaving.error.message}` : undefined} />
    </>
  );
}

interface HandsProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}

export function HandsDialog({ open, onOpenChange }: HandsProps) {
  return (
    <DialogRoot open={open} onOpenChange={onOpenChange}>
      <DialogFrame title="Whose hands now?">
        <Hands onDone={() => onOpenChange(false)} />
        <Own onDone={() => onOpenChange(false)} />
      </DialogFrame>
    </DialogRoot>
  );
}

function Hands({ onDone }: { readonly onDone: () => void }) {
  const { me, signedOut, known } = useHere();
  const queries = useQueryClient();
  const session = useQuery(sessionOptions());
  const [typed, setTyped] = useState<Known>();
  const demo = session.data?.demo ?? [];
  const passkeys = session.data?.passkeys ?? false;
  const others = known.filter(({ id }) => id !== me?.id || signedOut);
  const strangers = demo.filter(({ id }) => !known.some((each) => each.id === id));
  const taking = useMutation({
    networkMode: 'always',
    mutationFn: async (person: Known) => {
      if (demo.some(({ id }) => id === person.id)) return signInDemo(person.id);
      if (passkeys && person.passkey) return signInWithPasskey();
      // Away, it changes hands all the same; else the password is asked for.
      await ask('health', {});
      return undefined;
    },
    onSuccess: async (signedIn, person) => {
      // Without a passkey the password is asked for.
      if (signedIn === undefined) return setTyped(person);
      await queries.invalidateQueries();
      onDone();
    },
    onError: (error, person) => {
      if (error instanceof Unreachable) {
        goOnAs(person);
        onDone();
      } else if (!(error instanceof ApiProblem)) setTyped(person);
    },
  });
  return (
    <>
      <p className="m-0 text-soft">
        What each wrote stays theirs. It is sent when they are signed in here.
      </p>
      <ul className="m-0 mt-3 list-none p-0" aria-label="People known on this device">
        {others.map((person) => (
          <li key={person.id} className="flex items-center border-t border-hair last:border-b">
            <button
              type="button"
              disabled={taking.isPending}
              onClick={() => taking.mutate(person)}
              className="flex min-h-16 flex-1 cursor-pointer items-center gap-4 text-left"
            >
              <span
                aria-hidden="true"
                className="figure flex h-11 w-11 items-center justify-center border-2 border-ink"
              >
                {initialsOf(person.name)}
              </span>
              <strong className="text-[18px]">{person.name}</strong>
            </button>
            <Button kind="quiet" onClick={() => forgetKnown(person.id)}>
              Forget<span className="sr-only"> {person.name}</span>
            </Button>
          </li>
        ))}
      </ul>
      <Notice text={taking.error instanceof Unreachable ? undefined : taking.error?.message} />
      {strangers.length > 0 && <MadeUp people={strangers} onDone={onDone} />}
      <details className="mt-3" open={typed !== undefined || undefined}>
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">
          {typed ? `${typed.name}’s password` : 'Somebody else'}
        </summary>
        <WaysIn key={typed?.id} login={typed?.login} passkeys={passkeys} onDone={onDone} />
      </details>
    </>
  );
}
