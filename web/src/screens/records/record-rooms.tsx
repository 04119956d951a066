/** The rooms of what the shop remembers: its tables, what comes together, how right it was. */
import { NavLink } from 'react-router';

const ROOMS = [
  ['/records', 'Tables'],
  ['/records/patterns', 'Patterns'],
  ['/records/right', 'How right were we'],
] as const;

export function RecordRooms() {
  return (
    <nav aria-label="Rooms of the records" className="-mt-2 mb-3 flex flex-wrap gap-x-1">
      {ROOMS.map(([to, words]) => (
        <NavLink
          key={to}
          to={to}
          end
          className="flex min-h-11 items-center px-3 text-soft no-underline first:-ml-3 aria-[current=page]:font-semibold aria-[current=page]:text-ink aria-[current=page]:underline aria-[current=page]:decoration-2 aria-[current=page]:underline-offset-8"
        >
          {words}
        </NavLink>
      ))}
    </nav>
  );
}
