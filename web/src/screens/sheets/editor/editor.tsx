/** Writing a sheet: sections on the left, the form in the middle, live checks on the right. */
import {
  pasteCodes,
  pasteParts,
  sheetSchema,
  type Chosen,
  type WrittenSheet,
} from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { sheetOptions } from '../../../data/queries';
import { Button } from '../../../parts/button';
import { DeskFrame } from '../../../parts/desk-frame';
import { SchemaField, type FormContext } from '../../../parts/schema-form/schema-form';
import { labelOf, type Schema } from '../../../parts/schema-form/schema';
import { NotHere } from '../../not-here';
import { ProblemList } from '../problem-list';
import { MachineChoice, useChosen } from '../machine-choice';
import { BoardsSection } from './boards-section';
import { ConditionsSection } from './conditions-section';
import { Differs } from './differs';
import { PasteInto } from './paste-into';
import { PathsSection } from './paths-section';
import { SaveBar } from './save-bar';
import { sectionOf, SECTIONS, type SectionKey } from './sections';
import { suggestionsOf } from './suggestions';
import { TextSection } from './text-section';
import { useChecks, type Checks } from './use-checks';
import { WrittenOutSection } from './written-out-section';
import { keptDraft, useSheetDraft, type KeptDraft } from './use-sheet-draft';

export function SheetEditor() {
  const { sheetId = '' } = useParams();
  const newest = useQuery(sheetOptions(sheetId));
  const [kept, setKept] = useState<KeptDraft | null>();
  useEffect(() => {
    void keptDraft(sheetId).then((draft) => setKept(draft ?? null));
  }, [sheetId]);
  const start = kept ?? (newest.data && { base: newest.data.revision, sheet: newest.data });
  if (kept === undefined || (!start && newest.isPending))
    return (
      <DeskFrame>
        <p className="text-soft">Opening the sheet …</p>
      </DeskFrame>
    );
  if (!start) return <NotHere what="There is no such sheet" detail="It may be mistyped." />;
  return (
    <Desk key={sheetId} id={sheetId} start={start} resumed={kept !== null} newest={newest.data} />
  );
}

interface DeskProps {
  readonly id: string;
  readonly start: KeptDraft;
  readonly resumed: boolean;
  readonly newest: WrittenSheet | undefined;
}

function Desk({ id, start: given, resumed, newest }: DeskProps) {
  const [start] = useState(given);
  const draft = useSheetDraft(id, start);
  const { sheet } = draft;
  const checks = useChecks(sheet);
  const { chosen } = useChosen(sheet);
  const [section, setSection] = useState<SectionKey>('equipment');
  /** From its beginning, wherever the one before was left. */
  const show = (next: SectionKey) => {
    setSection(next);
    window.scrollTo({ top: 0 });
  };
  const [notedResume, setNotedResume] = useState(false);
  const context: FormContext = {
    change: draft.change,
    problems: new Map(checks.problems.map(({ path, message }) => [path, message])),
    suggest: (field) => suggestionsOf(sheet, field),
  };
  const { undo, redo } = draft;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return (
    <DeskFrame wide>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="m-0 text-[14px]">
            <Link to={`/sheets/${encodeURIComponent(id)}`} className="text-soft">
              {sheet.title}
            </Link>
          </p>
          <h1 className="m-0 text-[25px] font-bold">
            {start.base === 0 ? 'Editing a new sheet' : `Editing, from revision ${start.base}`}
          </h1>
        </div>
        <div className="flex flex-wrap gap-2">
          <Button onClick={undo} disabled={!draft.canUndo}>
            Undo
          </Button>
          <Button onClick={redo} disabled={!draft.canRedo}>
            Redo
          </Button>
        </div>
      </div>
      <MachineChoice written={sheet} chosen={chosen} />
      {start.from && <Differs from={start.from} sheet={sheet} />}
      {resumed && start.base > 0 && !notedResume && (
        <p className="m-0 mt-2 flex items-center justify-between gap-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
          <span>Your changes of last time, kept on this device and not yet saved.</span>
          <Button kind="quiet" onClick={() => setNotedResume(true)}>
            Good
          </Button>
        </p>
      )}
      <div
        className={`mt-4 grid grid-cols-[minmax(0,1fr)] gap-6 ${section === 'conditions' ? 'lg:grid-cols-[168px_minmax(0,1fr)]' : 'lg:grid-cols-[168px_minmax(0,1fr)_300px]'}`}
      >
        <SectionNav section={section} onSection={show} problems={checks.problems} />
        <section
          aria-label={SECTIONS.find(({ key }) => key === section)!.words}
          className="min-w-0"
        >
          <SectionForm
            section={section}
            sheet={sheet}
            chosen={chosen}
            context={context}
            onSheet={draft.replace}
          />
        </section>
        <ChecksPanel checks={checks} onPick={(path) => show(sectionOf(path))} />
      </div>
      <SaveBar id={id} base={start.base} sheet={sheet} checks={checks} newest={newest} />
    </DeskFrame>
  );
}

function SectionNav({
  section,
  onSection,
  problems,
}: {
  section: SectionKey;
  onSection: (section: SectionKey) => void;
  problems: Checks['problems'];
}) {
  return (
    <nav
      aria-label="Sections of the sheet"
      className="lg:sticky lg:top-3 lg:max-h-[calc(100dvh-6.5rem)] lg:self-start lg:overflow-y-auto"
    >
      <ul className="m-0 list-none p-0 max-lg:flex max-lg:overflow-x-auto">
        {SECTIONS.map(({ key, words }) => {
          const bad = problems.filter(({ path }) => sectionOf(path) === key).length;
          return (
            <li key={key}>
              <button
                type="button"
                aria-current={key === section ? 'true' : undefined}
                onClick={() => onSection(key)}
                className="flex min-h-11 w-full cursor-pointer items-center justify-between gap-2 border-l-4 border-transparent px-3 text-left whitespace-nowrap text-soft lg:min-h-8 aria-[current=true]:border-jade aria-[current=true]:font-semibold aria-[current=true]:text-ink"
              >
                {words}
                {bad > 0 && (
                  <span className="text-[13px] text-brick">
                    ▲ {bad}
                    <span className="sr-only"> to mend</span>
                  </span>
                )}
              </button>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}

function SectionForm({
  section,
  sheet,
  chosen,
  context,
  onSheet,
}: {
  section: SectionKey;
  sheet: WrittenSheet;
  chosen: Chosen;
  context: FormContext;
  onSheet: (sheet: WrittenSheet) => void;
}) {
  // The form takes any JSON Schema, and values by the names in it.
  const { properties = {} } = sheetSchema as unknown as Schema;
  if (section === 'text') return <TextSection sheet={sheet} onSheet={onSheet} />;
  if (section === 'written-out') return <WrittenOutSection sheet={sheet} chosen={chosen} />;
  if (section === 'paths') return <PathsSection sheet={sheet} context={context} />;
  if (section === 'conditions') return <ConditionsSection sheet={sheet} context={context} />;
  if (section === 'boards')
    return <BoardsSection sheet={sheet} schema={properties.boards!} context={context} />;
  const field = (key: string) => (
    <SchemaField
      key={key}
      schema={properties[key]!}
      value={(sheet as unknown as Record<string, unknown>)[key]}
      path={[key]}
      context={context}
      label={labelOf(key)}
      required={(sheetSchema.required as readonly string[]).includes(key)}
    />
  );
  return (
    <div className="flex flex-col gap-3">
      {section === 'equipment' && field('title')}
      {section === 'codes' && (
        <PasteInto
          what="codes"
          columns="code, title, meaning, causes, first look"
          read={(table) => pasteCodes(sheet, table)}
          onTake={(list) => context.change(['codes', 'list'], list)}
        />
      )}
      {section === 'parts' && (
        <PasteInto
          what="parts"
          columns="number, name, price, minutes, lead hours"
          read={(table) => pasteParts(sheet, table)}
          onTake={(list) => context.change(['parts'], list)}
        />
      )}
      {field(section)}
    </div>
  );
}

function ChecksPanel({ checks, onPick }: { checks: Checks; onPick: (path: string) => void }) {
  const { problems, warnings, of } = checks;
  return (
    <aside aria-label="Checks" className="min-w-0">
      <h2 className="m-0 text-[17px] font-bold">Checks</h2>
      <p role="status" className="m-0 mb-2 text-[15px]">
        {of === undefined
          ? 'Checking …'
          : problems.length === 0
            ? '✓ It hangs together and can be saved.'
            : `${problems.length === 1 ? 'One thing' : `${problems.length} things`} to mend before it can be saved.`}
      </p>
      <ProblemList problems={problems} onPick={onPick} />
      {warnings.length > 0 && (
        <>
          <h3 className="m-0 mt-3 text-[15px] font-semibold">Worth a second look</h3>
          <ProblemList problems={warnings} onPick={onPick} />
        </>
      )}
    </aside>
  );
}
