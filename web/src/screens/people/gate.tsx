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

export function Gate({ children }: { readonly children: ReactNode }) {
  const { me, signedOut, goesOn } = useHere();
  const session = useQuery(sessionOptions());
  const { pathname } = useLocation();
  if (pathname === '/welcome') return <>{children}</>;
  if (me && (!signedOut || goesOn))
    return (
      <>
        {signedOut && (
          <Suspense fallback={null}>
            <SignedOutBar />
          </Suspense>
        )}
        {children}
      </>
    );
  // What a screen asks meanwhile comes with the same cookie: it is refused together with this, or there at once.
  if (session.isPending && !signedOut) return <>{children}</>;
  return (
    <Suspense fallback={<p className="p-6 text-soft">One moment …</p>}>
      <SignIn session={session.data} away={session.isError} />
    </Suspense>
  );
}
