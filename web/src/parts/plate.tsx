/** A data plate, riveted at its corners as they are: what stands on the machine itself. */
import type { ReactNode } from 'react';

const RIVETS = ['top-2 left-2', 'top-2 right-2', 'bottom-2 left-2', 'bottom-2 right-2'];

/** @param props.columns - How its fields stand on a wide screen; two beside each other on a phone. */
export const Plate = ({
  columns = 'lg:grid-cols-3',
  children,
}: {
  readonly columns?: string;
  readonly children: ReactNode;
}) => (
  <dl
    aria-label="Data plate"
    className={`relative m-0 grid grid-cols-2 gap-x-6 gap-y-3 border-2 border-ink bg-card px-9 py-5 max-lg:px-7 max-lg:py-4 ${columns}`}
  >
    {RIVETS.map((corner) => (
      <span
        key={corner}
        aria-hidden="true"
        className={`absolute size-2.5 rounded-full border border-ink bg-paper ${corner}`}
      />
    ))}
    {children}
  </dl>
);

export const PlateField = ({
  name,
  children,
}: {
  readonly name: string;
  readonly children: ReactNode;
}) => (
  <div>
    <dt className="text-[13px] text-soft">{name}</dt>
    <dd className="figure m-0 text-[18px] font-semibold [overflow-wrap:anywhere]">{children}</dd>
  </div>
);
