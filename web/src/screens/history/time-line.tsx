/** One time line over all circuits: what came first each time, what followed, and commanded against actual. */
import {
  commandSeen,
  episodesOf,
  type Episode,
  type NotedHistory,
  type ToldFault,
} from '@jeitinho/core/job';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { clockTime, longDay } from '../../data/now';
import { useSmallScreen } from '../../parts/small-screen';
import { LINK } from '../../parts/link';
import { useJob } from '../job/job-context';
import { placePath } from '../job/paths';

/** The one lane of a phone. */
const ALL = '*';
/** What a command and its witnesses say that is worth a look; a machine that is told to stand may stand. */
const WORTH_A_LOOK: ReadonlySet<string> = new Set(['not-delivered', 'contradictory']);
/** Rows drawn; older ones are counted. */
const SHOWN = 60;

export function TimeLine({ history }: { readonly history: NotedHistory }) {
  const { sheet } = useJob();
  const episodes = useMemo(() => episodesOf(sheet, history.rows), [sheet, history.rows]);
  const small = useSmallScreen();
  const named = [
    ...new Set(episodes.flatMap(({ faults }) => faults.map(({ unit }) => unit ?? ''))),
  ].sort();
  // On a phone all stand in one lane, each under the name of its circuit.
  const units = small ? [ALL] : named;
  const hidden = Math.max(0, history.rows.length - SHOWN);
  const shown = latest(episodes, SHOWN);
  return (
    <section aria-labelledby={`history-${history.entry}`} className="mt-5">
      <h2 id={`history-${history.entry}`} className="m-0 text-[19px] font-bold">
        {history.rows.length === 1 ? 'One entry' : `${history.rows.length} entries`},{' '}
        {history.source} at {clockTime(history.at)}
      </h2>
      {hidden > 0 && (
        <p className="m-0 text-soft">
          The latest {SHOWN} are drawn; {hidden} older ones are kept with them.
        </p>
      )}
      <div
        role="group"
        aria-label="Time line"
        tabIndex={0}
        className="relative mt-2 overflow-x-auto border-y border-ink"
      >
        <table className="w-full border-collapse text-[15px]">
          <thead>
            <tr className="border-b border-ink">
              <th scope="col" className="w-[112px] py-2 pr-3 text-left">
                Its clock
              </th>
              {units.map((unit) => (
                <th key={unit} scope="col" className="min-w-[150px] px-2 py-2 text-left">
                  {unit === ALL ? 'What it kept' : unitWords(sheet.codes.list, unit)}
                </th>
              ))}
            </tr>
          </thead>
          {shown.map((episode, e) => (
            <tbody key={e} className="border-b border-ink">
              <tr>
                <th
                  scope="rowgroup"
                  colSpan={units.length + 1}
                  className="bg-hair px-2 py-1 text-left text-[14px] font-normal"
                >
                  {episodeWords(episode, shown[e - 1])}
                </th>
              </tr>
              {episode.faults.map((fault, i) => (
                <FaultRow key={i} fault={fault} units={units} />
              ))}
            </tbody>
          ))}
        </table>
      </div>
      <details className="mt-2">
        <summary className="min-h-11 cursor-pointer py-2 text-soft">As it was copied</summary>
        <pre
          tabIndex={0}
          className="figure m-0 max-h-[320px] overflow-auto border border-hair bg-card p-2 text-[13px]"
        >
          {history.raw}
        </pre>
      </details>
    </section>
  );
}

function latest(episodes: readonly Episode[], most: number): readonly Episode[] {
  let count = 0;
  const from = episodes.findLastIndex(({ faults }) => (count += faults.length) >= most);
  return episodes.slice(Math.max(0, from));
}

function unitWords(
  codes: readonly { readonly unit?: string; readonly unitName?: string }[],
  unit: string,
): string {
  if (unit === '') return 'The whole unit';
  return codes.find((each) => each.unit === unit)?.unitName ?? `Unit ${unit}`;
}

/** `14 November 2026, 6 days later`; what is too old to speak of today is said to be. */
function episodeWords({ at, old, faults }: Episode, before: Episode | undefined): string {
  if (at === undefined) return 'Without a time: by itself';
  const gap =
    before?.at === undefined ? undefined : Date.parse(`${at}Z`) - Date.parse(`${before.at}Z`);
  const said = [
    longDay(at),
    faults[0]!.jumped ? 'its clock went back here: it may have been without power' : gapWords(gap),
    old && 'over a month before the latest: it says nothing of today',
  ];
  return said.filter(Boolean).join(' · ');
}

function gapWords(ms: number | undefined): string | undefined {
  if (ms === undefined) return undefined;
  const minutes = Math.round(ms / 60_000);
  if (minutes < 120) return `${minutes} min later`;
  const hours = Math.round(minutes / 60);
  return hours < 48 ? `${hours} hours later` : `${Math.round(hours / 24)} days later`;
}

function FaultRow({
  fault,
  units,
}: {
  readonly fault: ToldFault;
  readonly units: readonly string[];
}) {
  const { sheet } = useJob();
  const { row, unit = '' } = fault;
  return (
    <tr className="align-top">
      <td className="figure py-2 pr-3">{row.at?.slice(11) ?? '–'}</td>
      {units.map((each) => (
        <td key={each} className="border-l border-hair px-2 py-2">
          {each === ALL && unit !== '' && (
            <span className="block text-[13px] text-soft">{unitWords(sheet.codes.list, unit)}</span>
          )}
          {(each === ALL || each === unit) && <Said fault={fault} />}
        </td>
      ))}
    </tr>
  );
}

function Said({ fault }: { readonly fault: ToldFault }) {
  const { job, sheet } = useJob();
  const { row, listed, role } = fault;
  const seen = commandSeen(sheet, fault);
  const first = role === 'first';
  return (
    <div className={first ? 'border-l-4 border-brick pl-2' : 'pl-3 text-soft'}>
      <span className={`figure ${first ? 'text-[18px] font-bold text-ink' : ''}`}>{row.shown}</span>{' '}
      {listed ? (
        <span className={first ? 'font-semibold' : ''}>{listed.title}</span>
      ) : (
        (row.text ?? '')
      )}{' '}
      <span className={`text-[13px] ${first ? 'font-bold text-brick' : ''}`}>
        {first ? 'came first' : listed ? 'followed' : 'not on this sheet'}
      </span>
      {row.values && (
        <span className="figure block text-[13px] text-soft">
          {Object.entries(row.values)
            .map(([name, value]) => `${name} ${value}`)
            .join(' · ')}
        </span>
      )}
      {seen && WORTH_A_LOOK.has(seen.judgement.outcome) && (
        <p className="m-0 mt-1 border-l-4 border-marigold bg-marigold-tint px-2 py-1 text-[14px] text-ink">
          {seen.judgement.sentence}{' '}
          <Link to={placePath(job.id, { stage: 'measure', test: seen.test.id })} className={LINK}>
            See it yourself
          </Link>
        </p>
      )}
    </div>
  );
}
