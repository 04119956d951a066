/** The library of service sheets: search by maker, model, code, connector or part; import. */
import type { SheetListItem } from '@jeitinho/core';
import { searchSheets } from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { sheetsOptions } from '../../data/queries';
import { DeskFrame } from '../../parts/desk-frame';
import { Notice } from '../../parts/notice';
import { SearchLine } from '../../parts/search-line';
import { ImportSheet } from './import-sheet';
import { Proposals } from './proposals';

export function Library() {
  const query = useQuery(sheetsOptions());
  const [words, setWords] = useState('');
  const found = searchSheets(query.data ?? [], words);
  return (
    <DeskFrame>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="m-0 text-[25px] font-bold">Service sheets</h1>
        <div className="flex flex-wrap gap-2">
          <Link
            to="/sheets/quick"
            className="inline-flex min-h-11 items-center bg-jade px-5 font-semibold text-on-jade no-underline"
          >
            Quick sheet
          </Link>
          <ImportSheet known={query.data ?? []} />
        </div>
      </div>
      <Proposals />
      <SearchLine label="Maker, model, code, connector or part" words={words} onWords={setWords} />
      <Notice
        text={
          query.isError
            ? 'The library cannot be fetched: the server does not answer, and this device has none kept.'
            : undefined
        }
      />
      <p role="status" className="mt-2 mb-3 text-[14px] text-soft">
        {query.isPending ? 'Fetching the library …' : countWords(found.length, words)}
      </p>
      <ul className="m-0 list-none p-0">
        {found.map(({ item, by }) => (
          <SheetRow key={item.id} item={item} by={by} />
        ))}
      </ul>
      {query.isSuccess && found.length === 0 && (
        <p className="border-l-4 border-marigold bg-marigold-tint px-4 py-3">
          {words === ''
            ? 'No sheets yet. A pin table from a manual becomes one in ten minutes: “Quick sheet”.'
            : 'Nothing by those words. Try the model without its ending, or a connector’s name. A missing model is made with “Quick sheet”.'}
        </p>
      )}
    </DeskFrame>
  );
}

function countWords(n: number, words: string): string {
  const sheets = n === 1 ? 'one sheet' : `${n} sheets`;
  return words.trim() === '' ? sheets : `${sheets} by “${words.trim()}”`;
}

/** As many marks of each kind as a line takes. */
const MARKS = 6;

/** What one has in hand when a sheet is looked for: the code on the display, the name on the plug. */
function Marks({ item: { facets } }: { item: SheetListItem }) {
  const codes = facets.codes.map((code) => code.split(' ')[0] ?? '');
  const plugs = facets.connectors.map((connector) => connector.split(' ')[0] ?? '');
  return (
    <span aria-hidden="true" className="figure flex gap-1.5 text-[13px] max-lg:hidden">
      {codes.slice(0, MARKS).map((code) => (
        <span key={code} className="bg-ink px-1.5 text-paper">
          {code}
        </span>
      ))}
      {plugs.slice(0, MARKS).map((plug) => (
        <span key={plug} className="border border-copper px-1.5">
          {plug}
        </span>
      ))}
    </span>
  );
}

function SheetRow({ item, by }: { item: SheetListItem; by: readonly string[] }) {
  const { facets } = item;
  return (
    <li className="border-b border-hair">
      <Link
        to={`/sheets/${encodeURIComponent(item.id)}`}
        className="flex min-h-[68px] items-center gap-4 py-2 text-ink no-underline"
      >
        <span className="min-w-0 flex-1">
          <strong className="text-[18px]">{item.title}</strong>
          <span className="block text-[15px] text-soft">
            {facets.kind} · <span className="figure">{facets.models.join(', ')}</span>
          </span>
          {by.length > 0 && (
            <span className="block text-[14px] text-jade">found: {by.join(' · ')}</span>
          )}
        </span>
        <Marks item={item} />
        <span className="figure w-44 shrink-0 text-right whitespace-nowrap text-[14px] text-soft max-lg:w-auto">
          <span className="block max-lg:hidden">
            {facets.tests} tests · {facets.faults} faults
          </span>
          rev. {item.revision}
        </span>
      </Link>
    </li>
  );
}
