/** Arrive: what is known of the unit, its warranty and its earlier visits; read the plate, listen. */
import type { VisitResource } from '@jeitinho/core';
import { toBring } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { Link } from 'react-router';
import { useDraft } from '../../data/draft';
import { clockTime, longDay, useNow } from '../../data/now';
import { ActionBar } from '../../parts/action-bar';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { Plate, PlateField } from '../../parts/plate';
import { warrantyOver, warrantyWords } from '../../parts/warranty';
import { useJob } from '../job/job-context';
import { stagePath, useGoOn } from '../job/paths';
import { MachineQuestions } from '../job/which-machine';
import { GoesOn } from './goes-on';

export function Arrive() {
  const { job, state, record } = useJob();
  const [plateNote, setPlateNote] = useDraft(`plate.${job.id}`);
  const [differs, setDiffers] = useState(plateNote !== '');
  const plate = state.arrived?.body.plate;
  const goOn = useGoOn('arrive');
  // One press: a plate that matches leaves nothing to do here.
  const matches = async () => {
    if (await record('arrived', { plate: 'matches', note: '' })) goOn();
  };
  const noteDifference = async () => {
    if (await record('arrived', { plate: 'differs', note: plateNote.trim() })) setPlateNote('');
  };
  useKeys({ Enter: () => (plate ? goOn() : void (differs ? noteDifference() : matches())) });
  const { unit, site } = job;
  return (
    <>
      <div className="relative min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
        <p className="m-0 text-[14px] text-soft">The customer says</p>
        <h1 className="m-0 text-[25px] leading-snug font-bold">“{job.complaint}”</h1>

        <GoesOn />
        <section aria-label="The plate" className="mt-5">
          <Plate columns="lg:grid-cols-4">
            <PlateField name="Maker">{unit.maker}</PlateField>
            <PlateField name="Model">{unit.model}</PlateField>
            <PlateField name="Serial">{unit.serial || 'not noted'}</PlateField>
            <PlateField name="Warranty">
              <Warranty until={unit.warrantyUntil} />
            </PlateField>
          </Plate>
          <div className="pt-3 text-[17px]">
            {plate ? (
              <p className="m-0">
                {plate === 'matches'
                  ? '✓ The plate on the unit matches.'
                  : `The plate differs. ${state.arrived!.body.note}`}{' '}
                <span className="text-[14px] text-soft">{clockTime(state.arrived!.at)}</span>
              </p>
            ) : differs ? (
              <label className="block">
                What does the plate say?
                <input
                  autoFocus
                  value={plateNote}
                  maxLength={400}
                  onChange={(event) => setPlateNote(event.target.value)}
                  onKeyDown={(event) => event.key === 'Enter' && void noteDifference()}
                  className="mt-1 block min-h-11 w-full border border-soft bg-paper px-3"
                />
              </label>
            ) : (
              <p className="m-0">Does the plate on the unit say {unit.model}?</p>
            )}
          </div>
          <MachineQuestions />
          <Bring />
        </section>

        <div className="mt-5 grid gap-6 lg:grid-cols-2">
          <Heard />
          <Earlier visits={job.history} of={job.visits ?? job.history.length} />
        </div>
        <p className="mt-5 mb-0 text-[14px] text-soft">
          {site.name}, {site.address}, {site.town}
          {unit.installedOn && ` · installed ${longDay(unit.installedOn)}`}
          {' · '}
          <Link to={`/units/${unit.id}`} className="inline-flex min-h-11 items-center text-ink">
            the unit’s own page
          </Link>
        </p>
      </div>
      <ActionBar
        title={plate ? 'Next: Read' : 'Read the plate first'}
        detail={plate ? 'what the display shows' : 'the right sheet hangs on the right model'}
      >
        {plate ? (
          <Button kind="go" hint="Enter" onClick={goOn}>
            Go on to Read
          </Button>
        ) : differs ? (
          <>
            <Button kind="quiet" onClick={() => setDiffers(false)}>
              Cancel
            </Button>
            <Button kind="go" hint="Enter" onClick={() => void noteDifference()}>
              Note the difference
            </Button>
          </>
        ) : (
          <>
            <Button kind="quiet" onClick={() => setDiffers(true)}>
              It differs
            </Button>
            <Button kind="go" hint="Enter" onClick={() => void matches()}>
              Plate matches
            </Button>
          </>
        )}
      </ActionBar>
    </>
  );
}

/** Before the way to the unit is walked twice. */
function Bring() {
  const things = toBring(useJob().sheet);
  return things.length === 0 ? null : (
    <p className="m-0 mt-3">
      Bring along to the unit: <strong>{things.join(', ')}</strong>.
    </p>
  );
}

function Warranty({ until }: { until: string | null }) {
  const now = useNow(60_000);
  const holds = until !== null && !warrantyOver(until, now);
  return <span className={holds ? 'text-jade' : ''}>{warrantyWords(until, now)}</span>;
}

function Heard() {
  const { job, state, record } = useJob();
  const [text, setText] = useDraft(`heard.${job.id}`);
  const keep = async () => {
    if (text.trim() !== '' && (await record('observed', { text: text.trim() }))) setText('');
  };
  return (
    <section aria-label="Seen and heard">
      <h2 className="m-0 mb-1 text-[18px] font-bold">Seen and heard</h2>
      <ul className="m-0 list-none p-0">
        {state.observed.map((entry) => (
          <li key={entry.id} className="border-b border-hair py-1.5">
            <span className="figure mr-2 text-[13px] text-soft">{clockTime(entry.at)}</span>
            {entry.body.text}
          </li>
        ))}
      </ul>
      <label className="mt-2 block text-[14px] text-soft">
        What changed lately? Noises, smells, storms, other work
        <textarea
          value={text}
          rows={2}
          maxLength={4000}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && !event.shiftKey) {
              event.preventDefault();
              void keep();
            }
          }}
          className="mt-1 block w-full border border-soft bg-card px-3 py-2 text-[16px] text-ink"
        />
      </label>
      <Button className="mt-2" onClick={() => void keep()} disabled={text.trim() === ''}>
        Note it
      </Button>
    </section>
  );
}

function Earlier({ visits, of }: { visits: readonly VisitResource[]; of: number }) {
  return (
    <section aria-label="Earlier visits">
      <h2 className="m-0 mb-1 text-[18px] font-bold">Earlier visits to this unit</h2>
      {visits.length === 0 ? (
        <p className="m-0 text-soft">None. This is the first.</p>
      ) : (
        <ul className="m-0 list-none p-0">
          {visits.map((visit) => (
            <li key={visit.id} className="border-b border-hair">
              <Link
                to={stagePath(visit.id, 'sign')}
                className="block min-h-11 py-2 text-ink no-underline"
              >
                <span className="block text-[14px] text-soft">
                  {longDay(visit.openedAt)}
                  {visit.summary &&
                    visit.summary.codes.length > 0 &&
                    ` · code ${visit.summary.codes.join(', ')}`}
                </span>
                <strong>{visit.summary?.ending ?? 'Still open'}</strong>
                <span className="block text-[15px]">“{visit.complaint}”</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {of > visits.length && (
        <p className="m-0 mt-2 text-[14px] text-soft">
          The latest {visits.length} of {of}.
        </p>
      )}
    </section>
  );
}
