/** Figures between pins of an unknown connector: which of the sheet's each must be. */
import { parseEntry } from '@jeitinho/core';
import {
  accessOwedFor,
  findPins,
  MOST_PINS_FOUND,
  type PairFigure,
  pairPointsOf,
} from '@jeitinho/core/job';
import { readingWords, typedReading } from '@jeitinho/core/judge';
import { findConnector, movedFurther, type MeasureTest, wantsOf } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

export interface PairByPairProps {
  readonly test: MeasureTest;
  readonly connector: string;
  /** The sheet's pin to the machine's, of those that are elsewhere. */
  readonly onFound: (at: Readonly<Record<string, number>>) => void;
}

export function PairByPair({ test, connector, onFound }: PairByPairProps) {
  const { sheet, state } = useJob();
  const [figures, setFigures] = useState<readonly PairFigure[]>([]);
  const [text, setText] = useState('');
  const socket = findConnector(sheet, connector)!;
  if (pairPointsOf(test, connector).length === 0 || socket.pins.length > MOST_PINS_FOUND)
    return null;
  const { isolates, access } = wantsOf(sheet, test);
  const out = access.flatMap(({ access: { id }, position }) => (position === 'out' ? [id] : []));
  const owed = accessOwedFor(sheet, state, [...isolates, ...out]);
  if (owed.length > 0)
    return (
      <p className="m-0 mt-2 border-l-4 border-hair pl-3 text-[15px]">
        First: {owed.map(({ id, name }) => name ?? id).join(', ')}. Then it can be found pair by
        pair.
      </p>
    );
  const { meters, lead } = state;
  const given = state.given.get(test.id);
  const found = findPins(sheet, test, connector, figures, { meters, lead, given });
  const parsed = parseEntry(text, 'ohm');
  const reading = typedReading(parsed);
  const { next } = found;
  const keep = () => {
    if (!next || !reading || (reading.kind !== 'value' && reading.kind !== 'overload')) return;
    setFigures([...figures, { pins: next, reading }]);
    setText('');
  };
  return (
    <section
      aria-label="Pair by pair"
      className="mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-3"
    >
      <h3 className="m-0 text-[17px] font-bold">Nobody knows? Find them pair by pair</h3>
      {figures.map(({ pins, reading: read }) => (
        <p key={pins.join('-')} className="figure m-0 text-[15px]">
          {pins.join(' to ')}: {readingWords(read, 'ohm')}
        </p>
      ))}
      {next ? (
        <form
          className="mt-1 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <label className="block text-[17px]">
            Touch pin <strong className="figure">{next[0]}</strong> and pin{' '}
            <strong className="figure">{next[1]}</strong>, ohms
            <input
              autoComplete="off"
              inputMode="decimal"
              value={text}
              maxLength={24}
              onChange={(event) => setText(event.target.value)}
              className="figure mt-1 block min-h-12 w-44 border border-soft bg-card px-3 text-[22px] text-ink"
            />
          </label>
          <Button type="submit" disabled={!reading}>
            Next
          </Button>
        </form>
      ) : (
        <p role="status" className="m-0 mt-1 text-[17px]">
          {foundWords(found)}
        </p>
      )}
      {parsed.kind === 'error' && <p className="m-0 text-brick">{parsed.message}</p>}
      <div className="flex flex-wrap gap-2">
        {!next && found.at && (
          <Button
            className="mt-2"
            onClick={() =>
              onFound(movedFurther(socket, sheet.moved?.[connector] ?? {}, found.at ?? {}))
            }
          >
            Put them so
          </Button>
        )}
        {figures.length > 0 && (
          <Button kind="quiet" className="mt-2" onClick={() => setFigures([])}>
            Begin again
          </Button>
        )}
      </div>
    </section>
  );
}

function foundWords({ at, unsure }: ReturnType<typeof findPins>): string {
  if (!at)
    return 'No pinning fits these figures. Read the pairs again; if they stay, the part itself is out.';
  const where = Object.entries(at).map(([from, to]) => `${from} at ${to}`);
  const told = where.length > 0 ? `Found: ${where.join(', ')}.` : 'They stand as the sheet says.';
  return unsure.length === 0
    ? told
    : `${told} Ohms cannot tell ${unsure.join(', ')} apart: they read the same either way.`;
}
