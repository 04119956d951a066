/** What is found: stages, tests, pins and codes of the job in hand, jobs, sheets, formulas. */
import type { JobResource } from '@jeitinho/core';
import { TRAIL } from '@jeitinho/core/job';
import { codeFinder, plainSheet, testsOf } from '@jeitinho/core/sheet';
import { useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/react-query';
import { Command, defaultFilter } from 'cmdk';
import { useDeferredValue, useMemo } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { reportNumber } from '@jeitinho/core';
import { FIND_FIELD } from './find-field';
import { InTheRecords } from './in-the-records';
import { ALREADY, ITEM } from './item-look';
import { placesOf } from './places-of';
import { useRemembered } from './use-remembered';
import {
  foundUnitsOptions,
  jobOptions,
  openJobsOptions,
  sheetsOptions,
  signedJobsOptions,
} from '../../data/queries';

/** What belongs to the job in hand comes first. */
const HERE = ['in hand'];
const rank = (value: string, search: string, keywords?: string[]) =>
  keywords?.includes('found already')
    ? Math.max(0.2, defaultFilter(value, search) * 0.5)
    : defaultFilter(value, search) * (keywords?.includes('in hand') ? 1 : 0.4);

export interface FoundProps {
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly onDone: () => void;
}

export default function Found({ text, onText, onDone }: FoundProps) {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const open = useInfiniteQuery(openJobsOptions());
  const jobs = open.data?.pages.flatMap(({ items }) => items) ?? [];
  const signed = useQuery(signedJobsOptions());
  const sheets = useQuery(sheetsOptions());
  const finder = useMemo(() => codeFinder(sheets.data ?? []), [sheets.data]);
  const asked = useDeferredValue(text.trim());
  const remembered = useRemembered(asked);
  const begun = useQuery(foundUnitsOptions(asked)).data ?? [];
  const mistyped = remembered.units.filter(({ id }) => !begun.some((unit) => unit.id === id));
  const codes = useMemo(() => (asked === '' ? [] : finder.find(asked)), [finder, asked]);
  const formulas = useQuery({
    queryKey: ['formulas'],
    queryFn: async () => (await import('../reckoner/titles')).formulaTitles,
    staleTime: Infinity,
  });
  const jobId = /^\/jobs\/([^/]+)/.exec(pathname)?.[1];
  const job = useQueryClient().getQueryData<JobResource>(jobOptions(jobId ?? '').queryKey);
  const go = (to: string) => () => {
    onDone();
    void navigate(to);
  };
  return (
    <Command label="Find anything" filter={rank}>
      <Command.Input
        autoFocus
        value={text}
        onValueChange={onText}
        placeholder="A job, a serial number, a test, a pin, a code, a sheet …"
        className={FIND_FIELD}
      />
      <Command.List className="max-h-[50vh] overflow-y-auto p-2">
        <Command.Empty className="px-3 py-2 text-soft">Nothing of that name.</Command.Empty>
        {job?.sheet && (
          <Command.Group heading="This job">
            {TRAIL.map(({ stage, name }) => (
              <Command.Item
                key={stage}
                value={name}
                keywords={HERE}
                onSelect={go(`/jobs/${job.id}/${stage}`)}
                className={ITEM}
              >
                {name}
              </Command.Item>
            ))}
            {testsOf(job.sheet).map((test) => (
              <Command.Item
                key={test.id}
                value={`test ${test.title} ${test.group ?? ''}`}
                keywords={HERE}
                onSelect={go(`/jobs/${job.id}/measure?test=${test.id}`)}
                className={ITEM}
              >
                {test.title} <span className="text-[14px] text-soft">{test.group}</span>
              </Command.Item>
            ))}
            {placesOf(plainSheet(job.sheet)).map(({ words, detail, stage }) => (
              <Command.Item
                key={words}
                value={`${words} ${detail}`}
                keywords={HERE}
                onSelect={go(`/jobs/${job.id}/${stage}`)}
                className={ITEM}
              >
                {words} <span className="text-[14px] text-soft">{detail}</span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        <Command.Group heading="Jobs">
          {[...jobs, ...(signed.data ?? [])].map((each) => (
            <Command.Item
              key={each.id}
              value={`${each.unit.label} ${each.unit.maker} ${each.unit.model} ${each.unit.serial} ${each.site.name} ${reportNumber(each.id, each.openedAt)}`}
              onSelect={go(`/jobs/${each.id}`)}
              className={ITEM}
            >
              {each.unit.label}
              <span className="text-[14px] text-soft">
                {each.unit.serial} · {each.site.name} · {each.summary?.status ?? 'open'}
              </span>
            </Command.Item>
          ))}
        </Command.Group>
        <Command.Group heading="Sheets">
          {(sheets.data ?? []).map(({ id, title, facets }) => (
            <Command.Item
              key={id}
              value={`sheet ${title} ${facets.models.join(' ')}`}
              onSelect={go(`/sheets/${encodeURIComponent(id)}`)}
              className={ITEM}
            >
              {title} <span className="text-[14px] text-soft">sheet</span>
            </Command.Item>
          ))}
        </Command.Group>
        <Command.Group heading="Codes and symptoms of every sheet">
          {codes.map(({ sheetId, sheet, kind, code, title }) => (
            <Command.Item
              key={`${sheetId} ${code} ${title}`}
              value={`${kind} ${code} ${title} ${sheet}`}
              keywords={ALREADY}
              onSelect={go(`/sheets/${encodeURIComponent(sheetId)}`)}
              className={ITEM}
            >
              <span>
                {code !== '' && <span className="figure mr-2 font-semibold">{code}</span>}
                {title}
              </span>
              <span className="text-[14px] text-soft">{sheet}</span>
            </Command.Item>
          ))}
        </Command.Group>
        <Command.Group heading="Reckoner">
          {(formulas.data ?? []).map(({ id, title }) => (
            <Command.Item
              key={id}
              value={`formula ${title}`}
              onSelect={go(`/reckoner/${id}`)}
              className={ITEM}
            >
              {title} <span className="text-[14px] text-soft">formula</span>
            </Command.Item>
          ))}
        </Command.Group>
        {/* What the server finds comes a moment later, and below: nothing moves from under a finger. */}
        <Command.Group heading="Units">
          {[...begun, ...mistyped].map((unit) => (
            <Command.Item
              key={unit.id}
              keywords={mistyped.includes(unit) ? ALREADY : undefined}
              value={`unit ${unit.label} ${unit.maker} ${unit.model} ${unit.serial} ${unit.siteName} ${unit.id}`}
              onSelect={go(`/units/${unit.id}`)}
              className={ITEM}
            >
              {unit.label}
              <span className="text-[14px] text-soft">
                {unit.serial} · {unit.siteName} · its page
              </span>
            </Command.Item>
          ))}
        </Command.Group>
        <InTheRecords remembered={remembered} onGo={go} />
      </Command.List>
    </Command>
  );
}
