/** Before a new part is ordered or goes on: why the old one died, whether its load is sound, and that it matches. */
import {
  asksMatch,
  asOnOld,
  beforePart,
  FOUND_WORDS,
  MATCH_WORDS,
  matchOf,
  wantedWords,
  WHY_ANSWERS,
  type BodyOf,
} from '@jeitinho/core/job';
import { sentence } from '@jeitinho/core';
import { findPart, type Part } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { Link } from 'react-router';
import { fieldsIn, useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { LINK } from '../../parts/link';
import { useJob } from '../job/job-context';
import { placePath } from '../job/paths';
import { SitePattern } from './site-pattern';
import { Substitutes } from './substitutes';

export function BeforePart({ part: id }: { readonly part: string }) {
  const { job, sheet, state } = useJob();
  const part = findPart(sheet, id);
  const before = beforePart(sheet, state, id);
  const { asks, loads, match } = before;
  const seenHere = job.pattern?.some((each) => each.part === id) ?? false;
  if (!part || (asks.length === 0 && loads.length === 0 && !match && !seenHere)) return null;
  return (
    <section
      aria-label={`Before it goes on: ${part.name}`}
      className="mt-4 basis-full border border-hair bg-card px-4 py-3"
    >
      <h2 className="m-0 text-[17px] font-bold">
        Before a new one is bought: {part.name}{' '}
        <span className="text-[15px] font-normal text-soft">
          {before.owed.length === 0 ? 'all is answered' : `${before.owed.length} to answer`}
        </span>
      </h2>
      <SitePattern part={id} />
      {asks.map(({ ask, said }) => (
        <Why key={ask} part={id} ask={ask} said={said} />
      ))}
      {loads.map(({ fault, is, by }) => (
        <p key={fault.id} className="m-0 border-t border-hair py-2">
          <strong>{fault.name}</strong> would kill the new one too.{' '}
          {is === 'sound' && <span className="text-jade">✓ A reading clears it.</span>}
          {is === 'bad' && (
            <strong className="text-brick">It reads bad: mend that first, or both at once.</strong>
          )}
          {is === 'owed' && (
            <>
              <span className="text-marigold">No reading clears it yet. </span>
              <MeasureIt by={by} />
            </>
          )}
        </p>
      ))}
      {match && <MatchOf part={part} />}
    </section>
  );
}

function MeasureIt({ by }: { readonly by: readonly string[] }) {
  const { job } = useJob();
  const [first] = by;
  if (first === undefined) return <span className="text-soft">No test of this sheet tells.</span>;
  // Of a rule over several points the first of them is taken.
  const test = first.split('@')[0]!;
  return (
    <Link to={placePath(job.id, { stage: 'measure', test })} className={LINK}>
      Measure it
    </Link>
  );
}

interface WhyProps {
  readonly part: string;
  readonly ask: string;
  readonly said: BodyOf<'asked'> | undefined;
}

function Why({ part, ask, said }: WhyProps) {
  const { job, record } = useJob();
  const [note, setNote] = useDraft(`why.${job.id}.${part}.${ask}`);
  const answer = async (found: BodyOf<'asked'>['found']) => {
    if (await record('asked', { part, ask, found, note: note.trim() })) setNote('');
  };
  return (
    <div className="border-t border-hair py-2">
      <p className="m-0">
        <span className="text-soft">Why did the old one die?</span> <strong>{ask}</strong>
        {said?.note && <span className="block text-[15px] text-soft">{said.note}</span>}
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        {WHY_ANSWERS.map((each) => (
          <Button
            key={each}
            aria-pressed={said?.found === each}
            aria-label={`${ask}: ${FOUND_WORDS[each]}`}
            disabled={each === 'open' && note.trim() === ''}
            onClick={() => void answer(each)}
            className="aria-pressed:border-2 aria-pressed:border-jade aria-pressed:bg-jade-tint"
          >
            {FOUND_WORDS[each]}
          </Button>
        ))}
        <input
          value={note}
          maxLength={1000}
          aria-label={`What was seen: ${ask}`}
          placeholder="What was seen; needed where it cannot be told"
          onChange={(event) => setNote(event.target.value)}
          className="min-h-11 min-w-40 flex-1 border border-soft bg-paper px-3 text-ink"
        />
      </div>
    </div>
  );
}

interface Typed {
  readonly number?: string;
  readonly values?: Readonly<Record<string, string>>;
  readonly old?: Readonly<Record<string, string>>;
}

const MATCH_LOOK = {
  original: 'text-jade',
  fits: 'text-jade',
  unknown: 'text-marigold',
  forbidden: 'text-brick',
} as const;

/** The part in the hand: its number, and where it is no original what the sheet asks of it. */
function MatchOf({ part }: { readonly part: Part }) {
  const { job, sheet, state, record } = useJob();
  const { said, found } = beforePart(sheet, state, part.id).match ?? {};
  const [draft, setDraft] = useDraft(`match.${job.id}.${part.id}`);
  const typed = fieldsIn<Typed>(draft);
  const [open, setOpen] = useState(false);
  const keep = (more: Typed) => setDraft(JSON.stringify({ ...typed, ...more }));
  const number = typed.number ?? said?.number ?? '';
  const own = matchOf(part, { number, values: {} }).verdict === 'original';
  const values = { ...said?.values, ...typed.values };
  const old = { ...said?.old, ...typed.old };
  const rules = [...(part.must ?? []), ...(part.should ?? [])];
  const hold = async () => {
    const body = { part: part.id, number: number.trim(), values, old, note: '' };
    if (await record('matched', body)) {
      setDraft('');
      setOpen(false);
    }
  };
  return (
    <div className="border-t border-hair py-2">
      <p className="m-0" role="status">
        {said && found ? (
          <>
            <strong>{said.number}</strong>:{' '}
            <strong className={MATCH_LOOK[found.verdict]}>{MATCH_WORDS[found.verdict]}</strong>
          </>
        ) : (
          <>Is the one in your hand a match? It must be {part.number ?? 'the same'}, or match it.</>
        )}
      </p>
      {found && found.lines.length > 0 && (
        <ul className="m-0 list-none p-0 text-[15px]">
          {found.lines.map(({ field, hard, fits, wanted, has, why }) => (
            <li key={field}>
              <span aria-hidden="true">{fits ? '✓' : fits === false ? '✕' : '?'}</span> {field}:{' '}
              {has || 'not read'}, wanted {wanted}
              {fits === false && (
                <strong className={hard ? 'text-brick' : 'text-marigold'}>
                  {hard ? ' does not fit' : ' a remark'}
                </strong>
              )}
              {why && fits !== true && <span className="text-soft"> {why}</span>}
            </li>
          ))}
        </ul>
      )}
      <Substitutes part={part} />
      <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className="min-h-11 cursor-pointer py-2.5">
          {said ? 'Hold another one against it' : 'Hold it against the old one'}
        </summary>
        <div className="grid gap-3 sm:grid-cols-2">
          <label className="block text-[14px] text-soft">
            Number printed on the new part
            <input
              value={number}
              maxLength={120}
              placeholder={part.number}
              onChange={(event) => keep({ number: event.target.value })}
              className={FIELD}
            />
          </label>
          {!own &&
            asksMatch(part) &&
            rules.map((rule) => (
              <div key={rule.field} className="contents">
                {asOnOld(rule) && (
                  <label className="block text-[14px] text-soft">
                    {sentence(rule.field)} on the old plate
                    <input
                      value={old[rule.field] ?? ''}
                      maxLength={200}
                      onChange={(event) =>
                        keep({ old: { ...old, [rule.field]: event.target.value } })
                      }
                      className={FIELD}
                    />
                  </label>
                )}
                <label className="block text-[14px] text-soft">
                  {sentence(rule.field)}, wanted {wantedWords(rule, old[rule.field])}
                  <input
                    value={values[rule.field] ?? ''}
                    maxLength={200}
                    onChange={(event) =>
                      keep({ values: { ...values, [rule.field]: event.target.value } })
                    }
                    className={FIELD}
                  />
                </label>
              </div>
            ))}
        </div>
        <Button className="mt-2" disabled={number.trim() === ''} onClick={() => void hold()}>
          Hold it against
        </Button>
      </details>
    </div>
  );
}
