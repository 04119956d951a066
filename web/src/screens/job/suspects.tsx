/** Ranked suspects with why, and what is not proven. */
import {
  isFinding,
  notProvenWords,
  type Assessment,
  type Suspect,
  type Weight,
} from '@jeitinho/core/diagnose';
import { Link } from 'react-router';
import { percent } from '../../parts/percent';
import { evidenceWords } from './evidence-words';
import { useAssessment, useSettled, useWriting } from './job-context';
import { QuickTries } from './quick-tries';
import { WorthMost } from './worth-most';

const SHOWN = 5;
/** Suspects below this rank are named without a reason when there is none to give. */
const REASONED = 2;
const PROVISOS = 3;
/** Names in one of them; all stand on Decide and in the report. */
const NAMES = 3;

export function Suspects() {
  const { job } = useWriting();
  const { state } = useSettled();
  const assessment = useAssessment();
  const { other, sound, unexplained } = assessment;
  // After work the machine is another one: what is left is what is looked for.
  const worked = state.works.length > 0;
  const suspects = worked
    ? [...assessment.suspects].sort((a, b) => b.now - a.now || b.p - a.p)
    : assessment.suspects;
  const shareOf = (suspect: Suspect) => (worked ? suspect.now : suspect.p);
  const rest = suspects.slice(SHOWN);
  const rows = [
    ...suspects.slice(0, SHOWN).map((suspect, rank) => ({
      p: shareOf(suspect),
      row: (
        <SuspectRow
          key={suspect.fault.id}
          suspect={suspect}
          assessment={assessment}
          rank={rank}
          worked={worked}
        />
      ),
    })),
    { p: sound.p, row: <SoundRow key="sound" sound={sound} worked={worked} /> },
    { p: other.p, row: <OtherRow key="other" other={other} unexplained={unexplained} /> },
  ].sort((a, b) => b.p - a.p);
  return (
    <div className="flex flex-1 flex-col px-[18px] pb-4">
      <WorthMost />
      <QuickTries />
      <p className="m-0 pt-3 text-[14px] text-soft">
        {worked ? 'Chance that it still has a fault' : 'Chance that it has a fault'}
        {assessment.evidence.length === 0
          ? ': before any finding, how often each was to blame, by the sheet.'
          : '.'}
      </p>
      <ol className="m-0 list-none p-0" aria-label="Suspects, likeliest first">
        {rows.map(({ row }) => row)}
      </ol>
      {rest.length > 0 && (
        <p className="m-0 flex justify-between gap-3 border-b border-hair py-2 text-[14px] text-soft">
          <span>
            {rest.length === 1 ? 'One other' : `${rest.length} others`}, each at most{' '}
            {percent(Math.max(...rest.map(shareOf)))}
          </span>
        </p>
      )}
      <p className="m-0">
        <Link
          to={`/jobs/${job.id}/suspects`}
          className="inline-flex min-h-11 items-center text-[15px] text-ink underline decoration-jade underline-offset-4"
        >
          Every finding against every suspect
        </Link>
      </p>
      <SurpriseNote assessment={assessment} />
      <NotProvenBox assessment={assessment} />
    </div>
  );
}

function SuspectRow({
  suspect,
  assessment,
  rank,
  worked,
}: {
  suspect: Suspect;
  assessment: Assessment;
  rank: number;
  worked: boolean;
}) {
  const why = whyWords(suspect.weights, assessment);
  const silence = rank < REASONED && assessment.evidence.length > 0;
  const eliminated = rank === 0 && silence && !assessment.accused.has(suspect.fault.id);
  return (
    <li className="border-b border-hair py-2.5">
      {worked ? (
        <Bar name={suspect.fault.name} p={suspect.now} before={suspect.nowBefore} />
      ) : (
        <Bar name={suspect.fault.name} p={suspect.p} before={suspect.before} />
      )}
      {worked && suspect.p - suspect.now > 0.02 && (
        <p className="m-0 mt-1 text-[14px] text-soft">
          On arrival <span className="figure">{percent(suspect.p)}</span>.
        </p>
      )}
      {(why || silence) && (
        <p className="m-0 mt-1 text-[14px] text-soft">
          {why ?? 'Nothing found so far speaks about it.'}
          {eliminated && ' It leads by elimination only.'}
        </p>
      )}
    </li>
  );
}

function SoundRow({ sound, worked }: { sound: Assessment['sound']; worked: boolean }) {
  return (
    <li className="border-b border-hair py-2.5">
      <Bar
        name={worked ? 'Nothing wrong any more' : 'Nothing wrong while measured'}
        p={sound.p}
        before={sound.before}
      />
    </li>
  );
}

function OtherRow({ other, unexplained }: { other: Assessment['other']; unexplained: boolean }) {
  return (
    <li className="border-b border-hair py-2.5">
      <Bar name="Something not on this sheet" p={other.p} before={other.before} />
      {unexplained && (
        <p className="m-0 mt-1 text-[14px] text-marigold">
          This sheet does not explain what was found. Repeat the odd reading, or look outside it.
        </p>
      )}
    </li>
  );
}

/** The dotted tick stands where belief stood before the last reading. */
export function Bar({ name, p, before }: { name: string; p: number; before: number }) {
  const at = (value: number) => `${Math.max(0.5, Math.min(99.5, value * 100))}%`;
  return (
    <>
      <div className="flex items-baseline justify-between gap-3">
        <span className="font-semibold">{name}</span>
        <span className="figure shrink-0">{percent(p)}</span>
      </div>
      <div className="relative mt-1 h-[7px] bg-hair" aria-hidden="true">
        <div className="grow h-full bg-ink" style={{ width: at(p) }} />
        {Math.abs(before - p) > 0.005 && (
          <span
            className="absolute -top-[3px] h-[13px] border-l-[3px] border-dotted border-soft"
            style={{ left: at(before) }}
          />
        )}
      </div>
    </>
  );
}

/** The two pieces of evidence that weigh most, in words; codes count, but are named as codes. */
export function whyWords(weights: readonly Weight[], assessment: Assessment): string | undefined {
  const telling = weights
    .filter(
      ({ strength, evidence }) =>
        strength !== 'nothing' && isFinding(assessment.evidence[evidence]!),
    )
    .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))
    .slice(0, 2)
    .map((weight) => {
      const what = evidenceWords(assessment.evidence[weight.evidence]!);
      return `${weight.strength} ${weight.direction}: ${what}`;
    });
  if (telling.length === 0) return undefined;
  const line = telling.join('; ');
  return `${line[0]!.toUpperCase()}${line.slice(1)}.`;
}

function SurpriseNote({ assessment }: { assessment: Assessment }) {
  if (!assessment.surprise) return null;
  return (
    <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-3 py-2 text-[15px]">
      <strong className="text-marigold">Quarrels with the rest:</strong>{' '}
      {evidenceWords(assessment.surprise.item)}. Repeat it before you believe it.
    </p>
  );
}

function NotProvenBox({ assessment }: { assessment: Assessment }) {
  const { notProven } = assessment;
  if (notProven.length === 0) return null;
  const named = notProven.slice(0, PROVISOS);
  return (
    <div className="mt-auto pt-4">
      <div className="bg-marigold-tint px-3 py-2.5 text-[14px]">
        <strong className="text-marigold">Not proven</strong>
        <ul className="m-0 list-none p-0">
          {named.map((item, i) => (
            <li key={i} className="mt-1">
              {notProvenWords(item, NAMES)}
            </li>
          ))}
          {notProven.length > named.length && (
            <li>And {notProven.length - named.length} more. Good so far is not good.</li>
          )}
        </ul>
      </div>
    </div>
  );
}
