/** Figures between pins of an unknown connector: which of the sheet's each must be. */
import { parseEntry, sourceWords } from '@jeitinho/core';
import {
  accessOwedFor,
  findPins,
  MOST_PINS_FOUND,
  type PairFigure,
  pairPointsOf,
  stillAsked,
} from '@jeitinho/core/job';
import { readingWords, typedReading } from '@jeitinho/core/judge';
import { findConnector, movedFurther, type MeasureTest, wantsOf } from '@jeitinho/core/sheet';
import { useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';
import { limitWordsAt } from '../job/taken-words';
import { problemOf } from './use-reading';

export interface PairByPairProps {
  readonly test: MeasureTest;
  readonly connector: string;
  /** The sheet's pin to the machine's, of those that are elsewhere. */
  readonly onFound: (at: Readonly<Record<string, number>>) => void;
}

export function PairByPair({ test, connector, onFound }: PairByPairProps) {
  const { job, sheet, state } = useJob();
  // A slip beside the dialog, or a reload, loses no figure.
  const [kept, setKept] = useDraft(`pairs.${job.id}.${test.id}.${connector}`);
  const [text, setText] = useDraft(`pair.${job.id}.${test.id}.${connector}`);
  const figures = kept === '' ? [] : (JSON.parse(kept) as readonly PairFigure[]);
  const socket = findConnector(sheet, connector)!;
  const points = pairPointsOf(test, connector);
  if (points.length === 0 || socket.pins.length > MOST_PINS_FOUND) return null;
  const { isolates, access } = wantsOf(sheet, test);
  const out = access.flatMap(({ access: { id }, position }) => (position === 'out' ? [id] : []));
  const owed = accessOwedFor(sheet, state, [...isolates, ...out]);
  const first = [
    ...owed.map(({ id, name }) => name ?? id),
    ...points.flatMap((point) => stillAsked(state, test, point)?.asks ?? []),
  ];
  if (first.length > 0)
    return (
      <p className="m-0 mt-2 border-l-4 border-hair pl-3 text-[15px]">
        First: {[...new Set(first)].join(', ')}. Then it can be found pair by pair.
      </p>
    );
  const found = findPins(sheet, test, connector, figures, state);
  const parsed = parseEntry(text, 'ohm');
  const problem = problemOf(parsed, 'ohm');
  const reading = problem === undefined ? typedReading(parsed) : undefined;
  const { next } = found;
  const keep = () => {
    if (!next || !reading) return;
    setKept(JSON.stringify([...figures, { pins: next, reading }]));
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
        <p role="status" aria-label="Which pin is which" className="m-0 mt-1 text-[17px]">
          {foundWords(found)}
        </p>
      )}
      <p role="status" className="m-0 text-[15px] text-brick">
        {problem}
      </p>
      <p className="m-0 text-[14px]">
        Held against{' '}
        {points
          .map((point) => `${point.name ?? point.id}: ${limitWordsAt(sheet, state, test, point)}`)
          .join('; ')}
        . {sourceWords(sheet, test.page)}
      </p>
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
          <Button kind="quiet" className="mt-2" onClick={() => setKept('')}>
            Begin again
          </Button>
        )}
      </div>
    </section>
  );
}

function foundWords({ at, unsure }: ReturnType<typeof findPins>): string {
  if (!at)
    return 'No order of the pins fits these figures. Read the pairs again; if they stay, what hangs on this plug is not as the sheet says.';
  const where = Object.entries(at).map(([from, to]) => `${from} at ${to}`);
  const told = where.length > 0 ? `Found: ${where.join(', ')}.` : 'They stand as the sheet says.';
  return unsure.length === 0
    ? told
    : `${told} Ohms cannot tell ${unsure.join(', ')} apart: they read the same either way.`;
}
