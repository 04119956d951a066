/** Two revisions of a sheet side by side: what was added, removed, changed. */
import { compareSheets, type SheetChange, type WrittenSheet } from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { revisionsOptions, sheetOptions } from '../../data/queries';
import { DeskFrame } from '../../parts/desk-frame';

export function Compare() {
  const { sheetId = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const [from, to] = [Number(params.get('from')) || 1, Number(params.get('to')) || 1];
  const revisions = useQuery(revisionsOptions(sheetId));
  const before = useQuery(sheetOptions(sheetId, from));
  const after = useQuery(sheetOptions(sheetId, to));
  const pick = (which: 'from' | 'to', value: number) => (
    <label className="text-[14px] text-soft">
      {which}
      <select
        value={value}
        onChange={(event) =>
          setParams(
            { from: String(from), to: String(to), [which]: event.target.value },
            { replace: true },
          )
        }
        className="ml-2 min-h-11 border border-soft bg-card px-2 text-ink"
      >
        {(revisions.data ?? []).map(({ revision, savedAt, author }) => (
          <option key={revision} value={revision}>
            revision {revision}, {savedAt.slice(0, 10)} {author}
          </option>
        ))}
      </select>
    </label>
  );
  const failed = before.isError || after.isError;
  return (
    <DeskFrame>
      <p className="m-0 text-[14px]">
        <Link to={`/sheets/${encodeURIComponent(sheetId)}`} className="text-soft">
          {after.data?.title ?? 'Sheet'}
        </Link>
      </p>
      <h1 className="m-0 text-[25px] font-bold">What changed</h1>
      <div className="mt-3 flex flex-wrap gap-4">
        {pick('from', from)}
        {pick('to', to)}
      </div>
      {failed && (
        <p role="alert" className="text-brick">
          One of the two cannot be fetched now.
        </p>
      )}
      {before.data && after.data && <Changes before={before.data} after={after.data} />}
    </DeskFrame>
  );
}

export function Changes({ before, after }: { before: WrittenSheet; after: WrittenSheet }) {
  const changes = compareSheets(before, after);
  if (changes.length === 0) return <p className="mt-4 text-soft">Nothing differs.</p>;
  return (
    <ul className="m-0 mt-4 list-none p-0" aria-label="Changes">
      {changes.map((change) => (
        <Change key={change.path} change={change} />
      ))}
    </ul>
  );
}

const MARKS = { added: '+', removed: '−', changed: '±' } as const;

function Change({ change }: { change: SheetChange }) {
  return (
    <li className="border-b border-hair py-2">
      <p className="m-0">
        <span aria-hidden="true" className="figure mr-2 inline-block w-4 text-center text-soft">
          {MARKS[change.kind]}
        </span>
        <span className="figure text-[14px]">{change.path}</span>{' '}
        <span className="text-[14px] text-soft">{change.kind}</span>
      </p>
      {change.kind !== 'added' && (
        <pre className="figure m-0 overflow-x-auto bg-brick-tint px-3 py-1 text-[13px] whitespace-pre-wrap">
          {show(change.before)}
        </pre>
      )}
      {change.kind !== 'removed' && (
        <pre className="figure m-0 overflow-x-auto bg-jade-tint px-3 py-1 text-[13px] whitespace-pre-wrap">
          {show(change.after)}
        </pre>
      )}
    </li>
  );
}

const show = (value: unknown): string =>
  typeof value === 'string' ? value : JSON.stringify(value, null, 1).replace(/\n\s*/g, ' ');
