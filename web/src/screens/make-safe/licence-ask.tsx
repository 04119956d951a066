/** The licences this unit asks for, and whether somebody here holds them. Asked once a job. */
import { licenceFor, type LicenceHeld } from '@jeitinho/core';
import { licensedByPiece } from '@jeitinho/core/job';
import { useMe } from '../../data/me';
import { Button } from '../../parts/button';
import { useEnded } from '../../parts/people/ended';
import { useJob } from '../job/job-context';

export function LicenceAsk() {
  const { sheet, state, record } = useJob();
  const me = useMe();
  const ended = useEnded();
  const { licences } = sheet.safety;
  if (!licences?.length) return null;
  const said = state.licence?.body;
  const who = me?.name ?? '';
  const held = me?.licences ?? [];
  return (
    <section aria-label="Licences" className="mt-3 max-w-xl border border-hair bg-paper px-4 py-3">
      <ul className="m-0 list-none p-0 font-semibold">
        {licences.map((line) => (
          <li key={line}>
            {line}
            <Held licence={licenceFor(line, held)} ended={ended} who={who} />
          </li>
        ))}
      </ul>
      {said ? (
        <p
          className={`m-0 mt-1 ${said.held ? 'text-jade' : 'border-l-4 border-brick bg-brick-tint px-3 py-2'}`}
        >
          {said.held
            ? `✓ held${said.who ? ` by ${said.who}` : ''}`
            : licensedByPiece(sheet)
              ? 'Nobody here holds it: what wants it is left to somebody who does.'
              : 'Nobody here holds it: no live work and no licensed work. Stopping and calling is a respectable result.'}{' '}
          <button
            type="button"
            onClick={() => void record('licence', { held: !said.held, who: said.held ? '' : who })}
            className="min-h-11 cursor-pointer px-2 text-[15px] text-ink underline decoration-hair underline-offset-4"
          >
            Change
          </button>
        </p>
      ) : (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button onClick={() => void record('licence', { held: true, who })}>
            We hold what this job needs
          </Button>
          <Button onClick={() => void record('licence', { held: false, who: '' })}>
            Nobody here holds it
          </Button>
        </div>
      )}
    </section>
  );
}

/** What the shop knows of a licence: whose it is, and whether its day is over. */
function Held({
  licence,
  ended,
  who,
}: {
  readonly licence: LicenceHeld | undefined;
  readonly ended: (until: string | null) => boolean;
  readonly who: string;
}) {
  if (!licence) return null;
  const over = ended(licence.until);
  return (
    <span className={`block font-normal ${over ? 'text-brick' : 'text-soft'}`}>
      {over
        ? `${who}’s “${licence.name}” ended on ${licence.until}: it does not count any more.`
        : `${who} holds “${licence.name}”${licence.until === null ? '' : ` until ${licence.until}`}.`}
    </span>
  );
}
