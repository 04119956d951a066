/** A part of a page of records, under its heading. */
import type { ReactNode } from 'react';

export function Part({
  title,
  children,
}: {
  readonly title: string;
  readonly children: ReactNode;
}) {
  const id = title.toLowerCase().replaceAll(' ', '-');
  return (
    <section aria-labelledby={id} className="mt-7">
      <h2 id={id} className="m-0 mb-1 border-b border-ink pb-1 text-[18px] font-bold">
        {title}
      </h2>
      {children}
    </section>
  );
}
