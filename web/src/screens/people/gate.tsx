/** Nobody sees the shop before signing in; whoever is known on this device goes on without the server. */
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useLocation } from 'react-router';
import { useHere } from '../../data/me';
import { sessionOptions } from '../../data/queries';
import { SignIn } from './sign-in';
import { SignedOutBar } from './signed-out-bar';

export function Gate({ children }: { readonly children: ReactNode }) {
  const { me, signedOut, goesOn } = useHere();
  const session = useQuery(sessionOptions());
  const { pathname } = useLocation();
  if (pathname === '/welcome') return <>{children}</>;
  if (me && (!signedOut || goesOn))
    return (
      <>
        {signedOut && <SignedOutBar />}
        {children}
      </>
    );
  if (session.isPending && !signedOut) return <p className="p-6 text-soft">One moment …</p>;
  return <SignIn session={session.data} away={session.isError} />;
}
