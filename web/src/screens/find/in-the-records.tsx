/** Jobs of any year, as they were found; what was mistyped is said. */
import { reportNumber } from '@jeitinho/core';
import { Command } from 'cmdk';
import { longDay } from '../../data/now';
import { ALREADY, ITEM } from './item-look';
import type { useRemembered } from './use-remembered';

export function InTheRecords({
  remembered: { tooLong, readAs, jobs },
  onGo,
}: {
  readonly remembered: ReturnType<typeof useRemembered>;
  readonly onGo: (to: string) => () => void;
}) {
  if (tooLong)
    return <p className="m-0 px-3 py-2 text-soft">A few words find more than that many.</p>;
  if (jobs.length === 0) return null;
  return (
    <Command.Group heading="In the records">
      {readAs.map(([typed, as]) => (
        <p key={typed} className="m-0 px-3 py-1 text-[14px] text-soft">
          Nothing has “{typed}”; read as “{as}”.
        </p>
      ))}
      {jobs.map((job) => (
        <Command.Item
          key={job.id}
          value={`record ${job.id}`}
          keywords={ALREADY}
          onSelect={onGo(`/jobs/${job.id}`)}
          className={ITEM}
        >
          <span className="min-w-0">
            {job.unit.label}
            <span className="block truncate text-[14px] text-soft">
              “{job.complaint}” {job.summary?.ending}
            </span>
          </span>
          <span className="shrink-0 text-right text-[14px] text-soft">
            {longDay(job.openedAt)}
            <span className="figure block">{reportNumber(job.id, job.openedAt)}</span>
          </span>
        </Command.Item>
      ))}
    </Command.Group>
  );
}
