/** What is to come after the visit: parts, a return visit, something to send back, a proof still owed. With its day. */
import { aheadOf, FOLLOW_UPS, FOLLOW_WORDS, type Ahead, type BodyOf } from '@jeitinho/core/job';
import { useState } from 'react';
import { calendarOf } from '../../papers/calendar';
import { downloadBlob } from '../../data/files';
import { useDraft } from '../../data/draft';
import { localDay, longDay, useNow } from '../../data/now';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { useTerms } from '../decide/use-terms';
import { useJob } from '../job/job-context';
import { PartSelect } from '../job/part-select';

type What = BodyOf<'follow-up'>['what'];

export function FollowUps() {
  const { job, sheet, state, record } = useJob();
  const ahead = aheadOf(sheet, state);
  const today = localDay(useNow(60_000));
  return (
    <section
      aria-labelledby="ahead"
      className="no-print mt-5 border border-hair bg-card p-5 max-lg:p-4"
    >
      <h2 id="ahead" className="m-0 text-[20px] font-bold">
        What is to come
      </h2>
      {ahead.length === 0 && (
        <p className="m-0 text-soft">
          Nothing. Parts that are ordered, a return visit, an old part to send back: each with its
          day, and Today brings it up.
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {ahead.map((each) => (
          <li
            key={each.entry}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair py-2"
          >
            <span className="min-w-0 flex-1">
              <strong>{each.text}</strong>
              <span className={`block text-[15px] ${each.on < today ? 'text-brick' : 'text-soft'}`}>
                {longDay(`${each.on}T12:00:00`)}
                {each.on < today && ', overdue'}
              </span>
            </span>
            <Button onClick={() => void toCalendar(each)}>To a calendar</Button>
            <Button onClick={() => void record('followed-up', { entry: each.entry, note: '' })}>
              Done<span className="sr-only">: {each.text}</span>
            </Button>
          </li>
        ))}
      </ul>
      <Add />
    </section>
  );

  async function toCalendar(each: Ahead) {
    downloadBlob(`visit-${each.on}.ics`, await calendarOf(job, each));
  }
}

/** Days from now that are offered. */
const USUAL_DAYS: Readonly<Record<What, number>> = {
  parts: 3,
  visit: 7,
  'send-back': 14,
  prove: 7,
  other: 7,
};

const DAY_MS = 24 * 3_600_000;

function Add() {
  const { job, state, record } = useJob();
  const [what, setWhat] = useState<What>(state.works.length > 0 ? 'prove' : 'parts');
  const [on, setOn] = useDraft(`ahead.${job.id}.on`);
  const [note, setNote] = useDraft(`ahead.${job.id}.note`);
  const decided = state.decision?.body.endings.find(({ part }) => part !== undefined)?.part ?? '';
  const [part, setPart] = useState(decided);
  const now = useNow(60_000);
  const offer = useTerms().offers.find((each) => each.part === part);
  const days =
    what === 'parts' && offer && offer.leadHours > 0
      ? Math.ceil(offer.leadHours / 24)
      : what === 'send-back'
        ? (offer?.sendBackDays ?? USUAL_DAYS[what])
        : USUAL_DAYS[what];
  const day = on || localDay(now + days * DAY_MS);
  const add = async () => {
    const named = part !== '' && (what === 'parts' || what === 'send-back');
    const body = { what, on: day, note: note.trim(), ...(named && { part }) };
    if (!(await record('follow-up', body))) return;
    setOn('');
    setNote('');
  };
  return (
    <form
      data-keys="off"
      className="mt-2 grid gap-3 border-t border-hair pt-2 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <label className="block text-[14px] text-soft">
        What comes
        <select
          value={what}
          onChange={(event) => setWhat(event.target.value as What)}
          className={FIELD}
        >
          {FOLLOW_UPS.map((each) => (
            <option key={each} value={each}>
              {FOLLOW_WORDS[each]}
            </option>
          ))}
        </select>
      </label>
      <label className="block text-[14px] text-soft">
        On which day
        <input
          type="date"
          value={day}
          onChange={(event) => setOn(event.target.value)}
          className={FIELD}
        />
      </label>
      {(what === 'parts' || what === 'send-back') && (
        <label className="block text-[14px] text-soft">
          Which part
          <PartSelect part={part} onPart={setPart} />
        </label>
      )}
      <label className="block text-[14px] text-soft">
        Note{what === 'other' ? '' : ' (may stay blank)'}
        <input
          value={note}
          maxLength={1000}
          onChange={(event) => setNote(event.target.value)}
          className={FIELD}
        />
      </label>
      <p className="m-0 sm:col-span-2">
        <Button type="submit">Put it down</Button>
      </p>
    </form>
  );
}
