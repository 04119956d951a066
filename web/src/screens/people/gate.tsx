/** Nobody sees the shop before signing in; whoever is known on this device goes on without the server. */
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { useHere } from '../../data/me';
import { sessionOptions } from '../../data/queries';
import { patiently } from '../../data/piece';

/** A piece of its own: mostly somebody is in. */
const SignIn = lazy(async () => ({
  default: (await patiently(() => import('./sign-in'))).SignIn,
}));

const SignedOutBar = lazy(async () => ({
  default: (await patiently(() => import('./signed-out-bar'))).SignedOutBar,
}));

const MOMENT = <p className="p-6 text-soft">One moment …</p>;

/** Where whoever has the link needs no more. */
const OPEN: ReadonlySet<string> = new Set(['/welcome', '/shared']);

export function Gate({ children }: { readonly children: ReactNode }) {
  const { me, signedOut, goesOn } = useHere();
  const session = useQuery(sessionOptions());
  const { pathname } = useLocation();
  // While it is asked who is here, a screen asks with the same cookie: it is there at once, or refused together.
  const asking = session.isPending && !signedOut;
  const known = me !== undefined && (!signedOut || goesOn);
  if (OPEN.has(pathname) || asking || known)
    // One shape, whoever is here: the screen stays as it is when the answer comes.
    return (
      <>
        <Suspense fallback={null}>{known && signedOut && <SignedOutBar />}</Suspense>
        {children}
      </>
    );
  // A screen was refused before this was answered: which ways in there are is not known yet.
  if (session.isPending) return MOMENT;
  return (
    <Suspense fallback={MOMENT}>
      <SignIn session={session.data} away={session.isError} />
    </Suspense>
  );
}
