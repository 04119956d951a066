/** The frame of everything that is not a job: the name, where one can go, and the screen. */
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { PersonChip } from './people/person-chip';
import { HelpButton } from './keys-help';
import { ThemeSwitch } from './theme-switch';

const PLACES = [
  ['/', 'Today'],
  ['/week', 'Week'],
  ['/customers', 'Customers'],
  ['/sheets', 'Sheets'],
  ['/records', 'Records'],
  ['/reckoner', 'Reckoner'],
  ['/meters', 'Meters'],
  ['/shop', 'Shop'],
] as const;

export function DeskFrame({ children, wide = false }: { children: ReactNode; wide?: boolean }) {
  return (
    <div className="min-h-dvh">
      <a
        href="#content"
        className="absolute left-2 -translate-y-full bg-ink px-4 py-3 text-paper focus:translate-y-0"
      >
        To the content
      </a>
      <header className="no-print flex min-h-[60px] items-stretch gap-4 border-b border-ink px-6 max-lg:flex-wrap max-lg:gap-x-3 max-lg:gap-y-0 max-lg:px-4">
        <span className="flex items-center text-[20px] font-bold max-lg:min-h-12 max-lg:flex-1">
          Jeitinho
        </span>
        <span className="order-last ml-auto flex items-center max-lg:order-none">
          <PersonChip />
          <HelpButton />
          <ThemeSwitch />
        </span>
        <nav
          aria-label="Places"
          className="flex items-stretch gap-1 max-lg:w-full max-lg:overflow-x-auto"
        >
          {PLACES.map(([to, words]) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/'}
              className="flex min-h-11 items-center border-b-4 border-transparent px-3 pt-1 whitespace-nowrap text-soft no-underline aria-[current=page]:border-jade aria-[current=page]:font-semibold aria-[current=page]:text-ink"
            >
              {words}
            </NavLink>
          ))}
        </nav>
      </header>
      <main
        id="content"
        tabIndex={-1}
        className={`mx-auto px-6 py-6 max-lg:px-4 max-lg:py-4 ${wide ? 'max-w-[1500px]' : 'max-w-5xl'}`}
      >
        {children}
      </main>
    </div>
  );
}
