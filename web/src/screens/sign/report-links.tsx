/** Links that show the customer their report without signing in: made, told once, ended. */
import type { ReportLinkResource } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../data/api';
import { useMay } from '../../data/me';
import { longDay, momentWords, useNow } from '../../data/now';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { many } from '../../parts/many';
import { Notice } from '../../parts/notice';

const DAYS = [30, 90, 365];

export function ReportLinks({ jobId }: { readonly jobId: string }) {
  const queries = useQueryClient();
  const mayMake = useMay('makeReportLink');
  const [days, setDays] = useState(DAYS[1]!);
  const key = ['job', jobId, 'report-links'];
  const links = useQuery({
    queryKey: key,
    queryFn: () => ask('reportLinks', { params: { id: jobId } }),
    retry: false,
  });
  const again = () => queries.invalidateQueries({ queryKey: key });
  const making = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('makeReportLink', { params: { id: jobId }, body: { days } }),
    onSuccess: again,
  });
  const ending = useMutation({
    networkMode: 'always',
    mutationFn: (id: string) => ask('endReportLink', { params: { id } }),
    onSuccess: () => {
      making.reset();
      return again();
    },
  });
  return (
    <section aria-labelledby="report-links" className="no-print mt-7">
      <h2 id="report-links" className="m-0 text-[18px] font-bold">
        A link for the customer
      </h2>
      <p className="m-0 max-w-prose text-soft">
        Whoever has it sees this report and nothing else, without signing in. Pictures and drawn
        signatures stay here.
      </p>
      {mayMake && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <label className="block w-44 text-[14px] text-soft">
            Opens for
            <select
              value={days}
              onChange={(event) => setDays(Number(event.target.value))}
              className={FIELD}
            >
              {DAYS.map((each) => (
                <option key={each} value={each}>
                  {each} days
                </option>
              ))}
            </select>
          </label>
          <Button disabled={making.isPending} onClick={() => making.mutate()}>
            Make a link
          </Button>
        </div>
      )}
      <Notice text={making.error?.message ?? ending.error?.message} />
      {making.isSuccess && <MadeLink path={making.data.path} />}
      <ol className="m-0 mt-2 list-none p-0">
        {(links.data ?? []).map((link) => (
          <LinkLine key={link.id} link={link} onEnd={() => ending.mutate(link.id)} />
        ))}
      </ol>
    </section>
  );
}

function MadeLink({ path }: { readonly path: string }) {
  const [copied, setCopied] = useState(false);
  const address = `${window.location.origin}${path}`;
  return (
    <div role="status" className="mt-3 border-l-4 border-jade bg-jade-tint px-4 py-3">
      <p className="m-0">
        The link is told here once. Copy it now; another one is made in a moment.
      </p>
      <input
        readOnly
        aria-label="The link"
        value={address}
        onFocus={(event) => event.target.select()}
        className={`${FIELD} figure`}
      />
      <Button
        className="mt-2"
        onClick={() =>
          void navigator.clipboard.writeText(address).then(
            () => setCopied(true),
            () => setCopied(false),
          )
        }
      >
        {copied ? 'Copied' : 'Copy'}
      </Button>
    </div>
  );
}

function LinkLine({
  link,
  onEnd,
}: {
  readonly link: ReportLinkResource;
  readonly onEnd: () => void;
}) {
  const now = useNow(60_000);
  const over = link.endedAt !== null || Date.parse(link.until) < now;
  const state =
    link.endedAt === null
      ? `${over ? 'over since' : 'opens until'} ${longDay(link.until)}`
      : `ended by ${link.endedBy ?? ''} ${momentWords(link.endedAt)}`;
  return (
    <li className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 border-b border-hair">
      <span className={over ? 'text-soft' : ''}>
        Made {momentWords(link.madeAt)} by {link.madeBy} · {state} ·{' '}
        {link.looks === 0 ? 'not looked at' : `looked at ${many(link.looks, 'time', 'times')}`}
      </span>
      {!over && (
        <Button kind="quiet" onClick={onEnd}>
          End it
        </Button>
      )}
    </li>
  );
}
