/** The fault dictionary of a sheet: what the bench makes every fault read, beside what its author wrote. */
import {
  adopt,
  compareDictionary,
  hasBench,
  type BenchedSheet,
  type DictionaryCell,
  type FaultDictionary,
} from '@jeitinho/core/bench';
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { Said } from '../../../parts/said';
import { keepSheet, useChangesSheets } from '../../../data/keep-sheet';
import { dictionaryOptions, revisionsOptions, sheetOptions } from '../../../data/queries';
import { Button } from '../../../parts/button';
import { DeskFrame } from '../../../parts/desk-frame';
import { NotHere } from '../../not-here';
import { MachineChoice, useMachine } from '../machine-choice';
import { Differences } from './differences';
import { HeatTable } from './heat-table';
import { useDictionary } from './use-dictionary';

const DRAWS = [8, 24, 100] as const;

export function DictionaryPage() {
  const { sheetId = '' } = useParams();
  const [params] = useSearchParams();
  const query = useQuery(sheetOptions(sheetId, Number(params.get('rev')) || undefined));
  if (query.isPending)
    return (
      <DeskFrame>
        <p className="text-soft">Opening the sheet …</p>
      </DeskFrame>
    );
  if (!query.data)
    return <NotHere what="There is no such sheet" detail="It may be mistyped, or not kept here." />;
  return <OfMachine key={query.data.revision} written={query.data} />;
}

function OfMachine({ written }: { written: WrittenSheet }) {
  const { sheet, chosen, first } = useMachine(written);
  if (!hasBench(sheet))
    return (
      <NotHere
        what="This sheet has no bench model"
        detail="A dictionary is computed from a circuit. Add a bench section to the sheet in the editor."
      />
    );
  return (
    <Page key={JSON.stringify(chosen)} written={written} sheet={sheet} kept={first}>
      <MachineChoice written={written} chosen={chosen} />
    </Page>
  );
}

interface PageProps {
  readonly written: WrittenSheet;
  readonly sheet: BenchedSheet;
  /** One dictionary is kept a revision: that of the machine shown where nobody chose. */
  readonly kept: boolean;
  readonly children: ReactNode;
}

function Page({ written, sheet, kept: keeps, children }: PageProps) {
  const kept = useQuery({ ...dictionaryOptions(sheet.id, sheet.revision), enabled: keeps });
  const { computing, trouble, fresh, compute, stop } = useDictionary(sheet, keeps);
  const [draws, setDraws] = useState<number>(24);
  const dictionary = fresh ?? kept.data?.dictionary ?? undefined;
  return (
    <DeskFrame wide>
      <p className="m-0 text-[14px]">
        <Link to={`/sheets/${encodeURIComponent(sheet.id)}`} className="text-soft">
          {sheet.title}
        </Link>
      </p>
      <h1 className="m-0 text-[25px] font-bold">Fault dictionary</h1>
      <p className="m-0 max-w-3xl text-soft">
        The sheet’s circuit is built many times within its tolerances, broken in turn, and measured.
        What it reads stands beside what the author wrote, revision {sheet.revision}.
      </p>
      {children}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <label className="text-[15px] text-soft">
          machines for each fault{' '}
          <select
            value={draws}
            onChange={(event) => setDraws(Number(event.target.value))}
            disabled={computing !== undefined}
            className="ml-1 min-h-11 border border-soft bg-card px-2 text-ink"
          >
            {DRAWS.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
        {computing ? (
          <>
            <progress
              aria-label="Machines computed"
              value={computing.done}
              max={computing.of}
              className="h-3 w-56 accent-[var(--jade)]"
            />
            <span className="figure">
              {computing.done} of {computing.of}
            </span>
            <Button onClick={stop}>Stop</Button>
          </>
        ) : (
          <Button kind="go" onClick={() => void compute(draws)}>
            {dictionary ? 'Compute again' : 'Compute'}
          </Button>
        )}
        <Said className="m-0 text-brick">{trouble && <> {trouble}</>}</Said>
      </div>
      {dictionary ? (
        <Result
          written={written}
          sheet={sheet}
          dictionary={dictionary}
          madeAt={fresh ? null : kept.data?.madeAt}
        />
      ) : (
        !computing && (
          <p className="mt-6 max-w-2xl">
            Nothing is computed for this revision yet. Afterwards every fault stands against every
            test: dark where bench and author disagree, and each cell can be taken over.
          </p>
        )
      )}
    </DeskFrame>
  );
}

function Result({
  written,
  sheet,
  dictionary,
  madeAt,
}: {
  written: WrittenSheet;
  sheet: BenchedSheet;
  dictionary: FaultDictionary;
  madeAt: string | null | undefined;
}) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [trouble, setTrouble] = useState<string>();
  const changes = useChangesSheets();
  const cells = useMemo(() => compareDictionary(sheet, dictionary), [sheet, dictionary]);
  const failed = Object.entries(dictionary.failed);
  const toggle = (key: string) => {
    const next = new Set(chosen);
    if (!next.delete(key)) next.add(key);
    setChosen(next);
  };
  const take = async (wanted: readonly DictionaryCell[]) => {
    try {
      const revisions = await client.fetchQuery(revisionsOptions(sheet.id));
      const revision = Math.max(...revisions.map((each) => each.revision)) + 1;
      const kept = await keepSheet({ ...adopt(sheet, wanted), revision }, changes);
      await client.invalidateQueries({ queryKey: ['sheets'] });
      if (kept === 'proposed') return void navigate('/sheets');
      void navigate(
        `/sheets/${encodeURIComponent(sheet.id)}/compare?from=${sheet.revision}&to=${revision}`,
      );
    } catch (error) {
      setTrouble(`Nothing was taken over. ${(error as Error).message}`);
    }
  };
  return (
    <>
      <p className="mt-3 mb-0 text-[15px] text-soft">
        {dictionary.draws} machines for each of {Object.keys(dictionary.faults).length} faults
        {madeAt && `, computed ${madeAt.slice(0, 10)}`}.
      </p>
      {failed.length > 0 && (
        <p role="alert" className="m-0 mt-2 border-l-4 border-brick bg-brick-tint px-3 py-2">
          {failed.length} faults could not be solved:{' '}
          {failed.map(([fault, why]) => `${fault} (${why})`).join('; ')}
        </p>
      )}
      <HeatTable sheet={sheet} cells={cells} chosen={chosen} onToggle={toggle} />
      <Differences
        sheet={sheet}
        cells={cells}
        chosen={chosen}
        onToggle={toggle}
        // A copy written out is not how its author wrote it: there it is written by hand.
        onTake={written === sheet ? (wanted) => void take(wanted) : undefined}
      />
      {trouble && (
        <p role="alert" className="text-brick">
          {trouble}
        </p>
      )}
    </>
  );
}
