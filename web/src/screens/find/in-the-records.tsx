/** Jobs of any year by any of their words, with a typing mistake or two: what the server remembers. */
import { reportNumber } from '@jeitinho/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { ask } from '../../data/api';
import { longDay } from '../../data/now';
import { ITEM } from './item-look';

/** It was found already: the list must not look for the letters again. */
const FOUND = ['found already'];
const SHORTEST = 2;
const LONGEST = 200;

export function InTheRecords({
  asked,
  onGo,
}: {
  readonly asked: string;
  readonly onGo: (to: string) => () => void;
}) {
  const wanted = asked.length >= SHORTEST && asked.length <= LONGEST;
  const found = useQuery({
    queryKey: ['find', asked],
    queryFn: () => ask('find', { query: { q: asked } }),
    enabled: wanted,
    placeholderData: keepPreviousData,
    staleTime: 20_000,
    retry: false,
  });
  const data = wanted ? found.data : undefined;
  const jobs = (data?.found ?? []).flatMap((each) => (each.kind === 'job' ? [each.job] : []));
  const readAs = Object.entries(data?.readAs ?? {});
  if (asked.length > LONGEST)
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
          keywords={FOUND}
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
