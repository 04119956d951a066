/** A code that this sheet does not list: which others do. The wrong sheet is soon in hand. */
import { codeFinder } from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { sheetsOptions } from '../../data/queries';

const SHOWN = 3;

export function ListedElsewhere({ code }: { readonly code: string }) {
  const { data } = useQuery(sheetsOptions());
  const finder = useMemo(() => codeFinder(data ?? []), [data]);
  const found = finder.listing(code).slice(0, SHOWN);
  if (found.length === 0) return null;
  return (
    <span className="block text-[15px] text-soft">
      Listed in{' '}
      {found.map(({ sheetId, sheet, title }, i) => (
        <span key={sheetId}>
          {i > 0 && ', '}
          <Link
            to={`/sheets/${encodeURIComponent(sheetId)}`}
            className="inline-flex min-h-11 items-center text-ink underline decoration-hair underline-offset-4"
          >
            {sheet}
          </Link>{' '}
          ({title.toLowerCase()})
        </span>
      ))}
      : is this the right sheet?
    </span>
  );
}
