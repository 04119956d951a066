/** One sheet to read and print: boards drawn, pins, codes, tests, faults × tests, parts, procedures. */
import { sourceWords } from '@jeitinho/core';
import { onPathWords, pathsAt, stopsOf, type WrittenSheet } from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { ApiProblem } from '../../data/api';
import { revisionsOptions, sheetOptions } from '../../data/queries';
import { BoardFigure } from '../../parts/board/board-drawing';
import { DeskFrame } from '../../parts/desk-frame';
import { PathStrip } from '../../parts/path-strip';
import { NotHere } from '../not-here';
import { CopySheet } from './copy-sheet';
import { ExportMenu } from './export-menu';
import { FaultMatrix } from './fault-matrix';
import { MachineChoice, useMachine } from './machine-choice';
import { PinsFound } from './pins-found';
import { UnitsOfSheet } from './units-of-sheet';
import { Parts, Procedures, Safety } from './sheet-lists';
import { Repairs } from './sheet-repairs';
import { Codes, Symptoms } from './sheet-signs';
import { PinTables, TestTable } from './sheet-tables';

export function SheetPage() {
  const { sheetId = '' } = useParams();
  const [params] = useSearchParams();
  const asked = Number(params.get('rev')) || undefined;
  const query = useQuery(sheetOptions(sheetId, asked));
  if (query.isPending)
    return (
      <DeskFrame>
        <p className="text-soft">Opening the sheet …</p>
      </DeskFrame>
    );
  if (!query.data)
    return query.error instanceof ApiProblem ? (
      <NotHere
        what="There is no such sheet"
        detail="It may be mistyped, or belong to another shop."
      />
    ) : (
      <NotHere
        what="This sheet cannot be opened now"
        detail="The server does not answer, and this device has not seen the sheet before."
      />
    );
  return <Read written={query.data} older={asked !== undefined} />;
}

const SECTIONS = [
  ['safety', 'Safety'],
  ['boards', 'Boards and pins'],
  ['paths', 'Paths'],
  ['codes', 'Codes'],
  ['tests', 'Tests'],
  ['faults', 'Faults × tests'],
  ['parts', 'Parts'],
  ['repairs', 'Repairs and tries'],
  ['procedures', 'Procedures'],
] as const;

function Read({ written, older }: { written: WrittenSheet; older: boolean }) {
  const { sheet, chosen } = useMachine(written);
  const { equipment } = sheet;
  return (
    <DeskFrame wide>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="no-print m-0 text-[14px]">
            <Link to="/sheets" className="text-soft">
              Sheets
            </Link>
          </p>
          <h1 className="m-0 text-[25px] leading-tight font-bold">{sheet.title}</h1>
          <p className="m-0 text-soft">
            {equipment.kind} · {equipment.models.join(', ')}
            {equipment.makers && ` · also sold as ${equipment.makers.join(', ')}`}
            {equipment.supply &&
              ` · ${equipment.supply.system}, ${equipment.supply.volts} V, ${equipment.supply.hertz} Hz`}
          </p>
          <p className="m-0 text-[14px] text-soft">{sourceWords(sheet)}</p>
        </div>
        <Actions sheet={written} older={older} />
      </div>
      <MachineChoice written={written} chosen={chosen} />
      <UnitsOfSheet key={sheet.id} sheetId={sheet.id} />
      <PinsFound sheet={written} />
      <nav
        aria-label="Sections"
        className="no-print mt-4 flex flex-wrap gap-x-1 border-b border-hair"
      >
        {SECTIONS.filter(([id]) => id !== 'paths' || sheet.paths).map(([id, words]) => (
          <a
            key={id}
            href={`#${id}`}
            className="inline-flex min-h-11 items-center px-3 text-ink underline decoration-hair underline-offset-4"
          >
            {words}
          </a>
        ))}
      </nav>
      <Section id="safety" title="Safety">
        <Safety sheet={sheet} />
      </Section>
      <Section id="boards" title="Boards and pins">
        <div className="grid gap-4 lg:grid-cols-2">
          {sheet.boards.map((board) => (
            <div key={board.id} className="break-inside-avoid">
              <BoardFigure
                board={board}
                plain
                known={(ref) => pathsAt(sheet, ref).map(onPathWords).join('; ') || undefined}
              />
              <PinTables board={board} />
            </div>
          ))}
        </div>
      </Section>
      {sheet.paths && (
        <Section id="paths" title="Paths">
          <div className="grid gap-3">
            {sheet.paths.map((path) => (
              <div key={path.id} className="break-inside-avoid">
                <h3 className="m-0 text-[16px] font-semibold">{path.carries}</h3>
                <PathStrip label={path.carries} stops={stopsOf(sheet, path)} />
              </div>
            ))}
          </div>
        </Section>
      )}
      <Section id="codes" title="Codes">
        <Codes sheet={sheet} />
        <Symptoms sheet={sheet} />
      </Section>
      <Section id="tests" title="Tests">
        <TestTable sheet={sheet} />
      </Section>
      <Section id="faults" title="Faults × tests">
        <FaultMatrix sheet={sheet} />
      </Section>
      <Section id="parts" title="Parts">
        <Parts sheet={sheet} />
      </Section>
      <Section id="repairs" title="Repairs and tries">
        <Repairs sheet={sheet} />
      </Section>
      <Section id="procedures" title="Procedures">
        <Procedures sheet={sheet} />
      </Section>
    </DeskFrame>
  );
}

function Section({ id, title, children }: { id: string; title: string; children: ReactNode }) {
  return (
    <section id={id} aria-labelledby={`${id}-title`} className="mt-7 scroll-mt-4">
      <h2 id={`${id}-title`} className="m-0 mb-2 text-[20px] font-bold">
        {title}
      </h2>
      {children}
    </section>
  );
}

function Actions({ sheet, older }: { sheet: WrittenSheet; older: boolean }) {
  const navigate = useNavigate();
  const revisions = useQuery(revisionsOptions(sheet.id));
  const list = revisions.data ?? [{ revision: sheet.revision, author: '', savedAt: '' }];
  const base = `/sheets/${encodeURIComponent(sheet.id)}`;
  const newest = list[0]!.revision;
  return (
    <div className="no-print flex flex-wrap items-center gap-2">
      <label className="text-[14px] text-soft">
        <span className="sr-only">Revision</span>
        <select
          value={sheet.revision}
          onChange={(event) => void navigate(`${base}?rev=${event.target.value}`)}
          className="min-h-11 border border-soft bg-card px-2 text-ink"
        >
          {list.map(({ revision, savedAt, author }) => (
            <option key={revision} value={revision}>
              revision {revision}
              {savedAt && `, ${savedAt.slice(0, 10)}`}
              {author && `, ${author}`}
            </option>
          ))}
        </select>
      </label>
      <Link to={`${base}/learnt`} className={ACTION}>
        What we learnt
      </Link>
      {list.length > 1 && (
        <Link
          to={`${base}/compare?from=${sheet.revision === newest ? list[1]!.revision : sheet.revision}&to=${newest}`}
          className={ACTION}
        >
          Compare
        </Link>
      )}
      {sheet.bench && (
        <Link to={`${base}/dictionary?rev=${sheet.revision}`} className={ACTION}>
          Dictionary
        </Link>
      )}
      <ExportMenu sheet={sheet} />
      <CopySheet sheet={sheet} />
      <button type="button" onClick={() => window.print()} className={`${ACTION} cursor-pointer`}>
        Print
      </button>
      {older && sheet.revision !== newest ? (
        <Link to={base} className={ACTION}>
          To the newest
        </Link>
      ) : (
        <Link
          to={`${base}/edit`}
          className="inline-flex min-h-11 items-center bg-jade px-5 font-semibold text-on-jade no-underline"
        >
          Edit
        </Link>
      )}
    </div>
  );
}

const ACTION =
  'inline-flex min-h-11 items-center border border-soft bg-card px-4 text-ink no-underline';
