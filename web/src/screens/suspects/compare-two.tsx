/** Two suspects side by side: what speaks between them, and the test that tells them apart best. */
import { sentence } from '@jeitinho/core';
import { compareSuspects, type InFull, type Separates } from '@jeitinho/core/diagnose';
import type { Fault } from '@jeitinho/core/sheet';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useMomentOf } from '../../data/now';
import { percent } from '../../parts/percent';
import { LINK } from '../../parts/link';
import { evidenceWords } from '../job/evidence-words';
import { useJob, useSettled } from '../job/job-context';
import { placePath } from '../job/paths';
import { sized } from './factor-words';
import { observableSaid, outcomeSaid } from './outcome-said';

const SHOWN = 4;

export function CompareTwo({ full }: { readonly full: InFull }) {
  const faults = full.suspects.flatMap((who) => (who.kind === 'fault' ? [who.fault] : []));
  const [chosen, setChosen] = useState([0, 1].map((i) => faults[i]?.id));
  const [one, other] = chosen.map((id) => faults.find((fault) => fault.id === id));
  if (faults.length < 2) return null;
  const pick = (at: number) => (id: string) =>
    // Choosing the one that stands opposite swaps the two.
    setChosen((before) => {
      const next = [...before];
      if (next[1 - at] === id) next[1 - at] = next[at];
      next[at] = id;
      return next;
    });
  return (
    <section aria-labelledby="compare-title" className="mt-6 pb-6">
      <h2 id="compare-title" className="m-0 text-[19px] font-bold">
        Two side by side
      </h2>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Pick label="This one" faults={faults} chosen={one?.id} onPick={pick(0)} />
        <Pick label="Against this one" faults={faults} chosen={other?.id} onPick={pick(1)} />
      </div>
      {one && other && <Compared pair={[one, other]} />}
    </section>
  );
}

interface PickProps {
  readonly label: string;
  readonly faults: readonly Fault[];
  readonly chosen: string | undefined;
  readonly onPick: (id: string) => void;
}

const Pick = ({ label, faults, chosen, onPick }: PickProps) => (
  <label className="block min-w-0 flex-1 text-[14px] text-soft">
    {label}
    <select
      value={chosen}
      onChange={(event) => onPick(event.target.value)}
      className="mt-1 block min-h-12 w-full border border-soft bg-card px-3 text-[16px] text-ink"
    >
      {faults.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  </label>
);

function Compared({ pair }: { readonly pair: readonly [Fault, Fault] }) {
  const { sheet, state } = useSettled();
  const [one, other] = pair;
  const now = useMomentOf(state, undefined);
  const { odds, between, tests } = useMemo(
    () => compareSuspects(sheet, state, [one, other], now),
    [sheet, state, one, other, now],
  );
  return (
    <>
      <p className="m-0 mt-3">{oddsWords(one, other, odds)}</p>
      {between.length > 0 && (
        <ul className="m-0 mt-1 list-none p-0" aria-label="What speaks between them">
          {between.slice(0, SHOWN).map(({ item, factor }, i) => (
            <li key={i} className="flex justify-between gap-4 border-b border-hair py-1.5">
              <span>
                {sentence(evidenceWords(item))}: for{' '}
                <strong>{factor > 1 ? one.name : other.name}</strong>
              </span>
              <span className="figure shrink-0">×{sized(Math.max(factor, 1 / factor))}</span>
            </li>
          ))}
        </ul>
      )}
      <h3 className="m-0 mt-4 text-[16px] font-bold">What tells them apart</h3>
      {tests.length === 0 ? (
        <p className="m-0">
          Nothing on this sheet that is left to take. A swap on trial, or the part on the bench,
          would.
        </p>
      ) : (
        <ol className="m-0 mt-1 list-none p-0">
          {tests.slice(0, SHOWN).map((each) => (
            <Apart key={each.test.id} pair={pair} test={each} />
          ))}
        </ol>
      )}
    </>
  );
}

function Apart({
  pair,
  test: found,
}: {
  readonly pair: readonly [Fault, Fault];
  readonly test: Separates;
}) {
  const { job } = useJob();
  const { test, before, step, observable, shows, apart, effort } = found;
  return (
    <li className="border-b border-hair py-1.5">
      <Link
        to={placePath(job.id, { stage: 'measure', observable: step.observable })}
        className={`${LINK} font-semibold`}
      >
        {observableSaid(test, observable)}
      </Link>{' '}
      <span className="text-soft">
        {Math.max(1, Math.round(effort.minutes))} min
        {before.length > 0 && `, after ${before.map(({ title }) => title).join(', ')}`} ·{' '}
        {apart > 0.85
          ? 'decides between them'
          : apart > 0.5
            ? 'tells them apart well'
            : 'tells a little'}
      </span>
      <br />
      {pair.map(({ name }, i) => (
        <span key={name} className="mr-5 inline-block">
          {name}: <strong>{outcomeSaid(test, shows[i]!.outcome)}</strong>{' '}
          <span className="figure">{percent(shows[i]!.p)}</span>
        </span>
      ))}
    </li>
  );
}

function oddsWords(one: Fault, other: Fault, odds: number): string {
  if (odds > 0.8 && odds < 1.25) return 'They are about equally likely.';
  const [more, less] = odds > 1 ? [one, other] : [other, one];
  const size = Math.max(odds, 1 / odds);
  return Number.isFinite(size)
    ? `“${more.name}” is ${sized(size)} times as likely as “${less.name}”.`
    : `“${less.name}” cannot be.`;
}
