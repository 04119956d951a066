/** The door: who is working, and how they come in. */
import type { SessionResource } from '@jeitinho/core';
import { goOnAs, useHere } from '../../data/me';
import { Button } from '../../parts/button';
import { ThemeSwitch } from '../../parts/theme-switch';
import { MadeUp } from '../../parts/people/made-up';
import { WaysIn } from '../../parts/people/ways-in';

export function SignIn({
  session,
  away,
}: {
  readonly session: SessionResource | undefined;
  /** The server does not answer. */
  readonly away: boolean;
}) {
  const { me, known } = useHere();
  const demo = session?.demo ?? [];
  return (
    <div className="min-h-dvh">
      <header className="flex min-h-[60px] items-center justify-between border-b border-ink px-6 max-lg:px-4">
        <span className="text-[20px] font-bold">Jeitinho</span>
        <ThemeSwitch />
      </header>
      <main className="mx-auto grid max-w-5xl grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-14 gap-y-8 px-6 py-12 max-lg:grid-cols-1 max-lg:px-4 max-lg:py-6">
        <div>
          <h1 className="m-0 text-[32px] leading-tight font-bold max-lg:text-[26px]">
            Who is at the machine?
          </h1>
          <p className="m-0 mt-2 max-w-prose text-soft">
            Every reading stands under the name of whoever took it. What was written on this device
            is kept, and goes on under its own name.
          </p>
          {away && (
            <p
              role="status"
              className="mt-4 mb-0 border-l-4 border-marigold bg-marigold-tint px-4 py-3"
            >
              The server does not answer. Whoever worked on this device before can go on; it is sent
              after signing in.
            </p>
          )}
          {session?.ownerWanted && (
            <p className="mt-4 mb-0 border-l-4 border-jade bg-jade-tint px-4 py-3">
              Nobody keeps this shop yet. The server printed a link when it started: whoever opens
              it becomes the owner.
            </p>
          )}
        </div>
        <div>
          {demo.length > 0 ? (
            <MadeUp people={demo} />
          ) : (
            <WaysIn
              login={known[0]?.login}
              passkeys={session?.passkeys ?? false}
              key={known[0]?.id}
            />
          )}
          {demo.length > 0 && (
            <details className="mt-6">
              <summary className="min-h-11 cursor-pointer py-2 font-semibold">
                Somebody who is not made up
              </summary>
              <WaysIn passkeys={session?.passkeys ?? false} />
            </details>
          )}
          {(away || me) && known.length > 0 && (
            <ul className="m-0 mt-8 list-none p-0" aria-label="Go on without signing in">
              {(away ? known : known.filter(({ id }) => id === me?.id)).map((person) => (
                <li key={person.id} className="border-t border-hair last:border-b">
                  <Button kind="quiet" onClick={() => goOnAs(person)}>
                    Go on as {person.name}, and sign in later
                  </Button>
                </li>
              ))}
            </ul>
          )}
        </div>
      </main>
    </div>
  );
}
