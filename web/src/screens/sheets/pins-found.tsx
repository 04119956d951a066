/** Pins that technicians found elsewhere than the sheet has them: into its next revision at one press. */
import type { PinsFoundResource } from '@jeitinho/core';
import { findConnector, rePinned, type WrittenSheet } from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { sheetPinsOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { keepDraft, keptDraft } from './editor/use-sheet-draft';

export function PinsFound({ sheet }: { readonly sheet: WrittenSheet }) {
  const { data = [] } = useQuery(sheetPinsOptions(sheet.id));
  if (data.length === 0) return null;
  return (
    <section
      aria-label="Pins found elsewhere"
      className="no-print mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-3"
    >
      <h2 className="m-0 text-[17px] font-bold">Found pinned otherwise on the machine</h2>
      <ul className="m-0 list-none p-0">
        {data.map((found) => (
          <Found key={JSON.stringify([found.connector, found.at])} sheet={sheet} found={found} />
        ))}
      </ul>
    </section>
  );
}

function Found({ sheet, found }: { sheet: WrittenSheet; found: PinsFoundResource }) {
  const navigate = useNavigate();
  const { connector, at, visits, job } = found;
  const writeIn = async () => {
    const kept = await keptDraft(sheet.id);
    const draft = kept ?? { base: sheet.revision, sheet };
    const pins = (of: WrittenSheet) => JSON.stringify(findConnector(of, connector)?.pins);
    // Pins that the draft has changed already are the author's: nothing is moved twice.
    if (pins(draft.sheet) === pins(sheet))
      await keepDraft(sheet.id, { ...draft, sheet: rePinned(draft.sheet, connector, at) });
    void navigate(`/sheets/${encodeURIComponent(sheet.id)}/edit`);
  };
  return (
    <li className="flex flex-wrap items-center gap-x-4">
      <span>
        <strong>{plugName(sheet, connector)}</strong>:{' '}
        {Object.entries(at)
          .map(([from, to]) => `${from} at ${to}`)
          .join(', ')}
      </span>
      <span className="text-[14px]">
        {visits === 1 ? 'in one visit' : `in ${visits} visits`}, last {found.foundAt.slice(0, 10)}
      </span>
      <Link
        to={`/jobs/${job}/measure`}
        className="inline-flex min-h-11 items-center text-[14px] text-ink"
      >
        See it<span className="sr-only">: {connector}</span>
      </Link>
      {findConnector(sheet, connector) ? (
        <Button onClick={() => void writeIn()}>
          Into the sheet<span className="sr-only">: {connector}</span>
        </Button>
      ) : (
        <span className="text-[14px]">written once for several copies: change it by hand</span>
      )}
    </li>
  );
}

/** `Dryer board, C6`. */
function plugName({ boards }: WrittenSheet, connector: string): string {
  const [boardId, plug] = connector.split('.');
  const board = boards.find(({ id }) => id === boardId)?.name;
  return board === undefined ? connector : `${board}, ${plug}`;
}
