/** One pattern: what came together where, how seldom chance does that, what to ask, and the visits behind it. */
import type { PatternResource } from '@jeitinho/core';
import { Link } from 'react-router';
import { longDay } from '../../data/now';
import { many } from '../../parts/many';
import { money } from '../../parts/money';
import { PatternStrip } from './pattern-strip';

const BY: Readonly<Record<PatternResource['by'], string>> = {
  site: 'At one site',
  model: 'On one model',
  part: 'One part in several models',
  batch: 'From one batch',
  supplier: 'From one supplier',
  season: 'In one season',
};

/** `1 in 4,000`. */
export function oneIn(p: number): string {
  const times = 1 / p;
  if (!Number.isFinite(times) || times > 1e6) return 'less than 1 in a million';
  const digits = Number(times.toPrecision(times < 100 ? 2 : 1));
  return `1 in ${digits.toLocaleString('en-GB')}`;
}

export function PatternCard({
  pattern,
  currency,
}: {
  readonly pattern: PatternResource;
  readonly currency: string;
}) {
  const { by, group, name, count, expected, p, units, years, shared, worth, events } = pattern;
  return (
    <article className="mt-5 border-2 border-ink bg-card px-5 py-4">
      <p className="m-0 text-[14px] text-soft">
        {BY[by]} · {pattern.sheetTitle}
      </p>
      <h2 className="m-0 text-[21px] leading-snug font-bold">
        {name}: {count} times, {group}
      </h2>
      <p className="m-0 mt-1">
        <strong className="figure">{expected.toFixed(expected < 1 ? 2 : 1)}</strong> expected in{' '}
        <span className="figure">{years.toFixed(1)}</span> years of running; chance alone brings so
        many <strong>{oneIn(p)}</strong>. It happened to {many(units, 'unit', 'units')}.
      </p>
      <PatternStrip events={events} label={`${name}, ${group}`} />
      <p className="m-0 mt-3 font-semibold">What do they share?</p>
      {shared.length > 0 ? (
        <ul className="m-0 mt-1 pl-5">
          {shared.map((each) => (
            <li key={each}>{each}</li>
          ))}
        </ul>
      ) : (
        <p className="m-0 text-soft">
          Nothing that is written down. Supply, heat, moisture, the last person’s work: look there.
        </p>
      )}
      {worth > 0 && (
        <p className="m-0 mt-2">
          If it goes on like this, what is beyond the usual costs{' '}
          <strong className="figure">{money(worth, currency)}</strong> within a year: so much it is
          worth to look.
        </p>
      )}
      <ol className="m-0 mt-3 grid list-none gap-x-6 border-t border-hair p-0 text-[15px] sm:grid-cols-2">
        {events.map(({ job, label, site, at }) => (
          <li key={`${job} ${label}`}>
            <Link to={`/jobs/${job}/sign`} className="inline-flex min-h-11 items-center text-ink">
              {longDay(at)} · {label}, {site}
            </Link>
          </li>
        ))}
      </ol>
    </article>
  );
}
