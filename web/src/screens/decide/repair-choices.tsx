/** What mends without a part: the sheet's repairs and tries, and work in one's own words. */
import { WORK_WORDS, type Ending } from '@jeitinho/core/job';
import { REPAIR_KINDS, type Repair, type Try } from '@jeitinho/core/sheet';
import { triageOf } from '@jeitinho/core/diagnose';
import { percent } from '../../parts/percent';
import { useAssessment, useJob } from '../job/job-context';
import { ROW, Tick } from './tick';
import type { Endings } from './use-endings';
import type { Worth } from './use-worth';

/** Repairs of what is less likely than this are not worth a row, unless there is nothing else. */
const WORTH_SHOWING = 0.02;

export interface RepairChoicesProps {
  readonly endings: Endings;
  readonly worth: Worth;
}

export function RepairChoices({ endings, worth }: RepairChoicesProps) {
  const { offers, shop } = worth;
  const { rate } = shop;
  const { sheet } = useJob();
  const assessment = useAssessment();
  const rows = [
    ...(sheet.repairs ?? []).map((repair) => ({ way: repair, faults: repair.fixes })),
    ...(sheet.tries ?? []).map((way) => ({ way, faults: Object.keys(way.cures) })),
  ].map((row) => ({
    ...row,
    of: assessment.suspects.filter(({ fault }) => row.faults.includes(fault.id)),
  }));
  const likely = ({ of }: (typeof rows)[number]) => Math.max(0, ...of.map(({ now }) => now));
  const shown = rows
    .filter(
      (row) => likely(row) >= WORTH_SHOWING || endings.find({ kind: 'repair', repair: row.way.id }),
    )
    .sort((a, b) => likely(b) - likely(a));
  return (
    <>
      {shown.map(({ way, of }) => (
        <label key={way.id} className={ROW}>
          <Tick
            name={`${WORK_WORDS[way.what ?? 'repaired']}: ${way.name ?? way.id}`}
            ticked={endings.find({ kind: 'repair', repair: way.id }) !== undefined}
            onToggle={() => endings.toggle({ kind: 'repair', repair: way.id })}
          />
          <span className="min-w-0 flex-1">
            <strong className="text-[17px]">{way.name ?? way.id}</strong>{' '}
            <span className="text-[15px] text-soft">without a part</span>
            <span className="block text-[15px]">
              {of.map(({ fault, now }) => `${fault.name} ${percent(now)}`).join(' · ')}
            </span>
            <span className="block text-[14px] text-soft">{wayWords(way)}</span>
            {'success' in way && <TriageLines repair={way} offers={offers} rate={rate} />}
          </span>
        </label>
      ))}
      <OwnWords endings={endings} />
    </>
  );
}

/** Whether soldering is worth an iron: the fault found, alone, and cheap to mend. */
function TriageLines({ repair, offers, rate }: TriageProps) {
  const { sheet } = useJob();
  const { suspects } = useAssessment();
  const part = sheet.parts.find(({ id }) =>
    sheet.faults.some((fault) => fault.part === id && repair.fixes.includes(fault.id)),
  );
  const price = offers.find((offer) => offer.part === part?.id)?.price;
  const whole = price === undefined ? undefined : price + ((part?.minutes ?? 0) / 60) * rate;
  const triage = triageOf(sheet, repair, suspects, { whole, rate });
  if (!triage) return null;
  return (
    <span className="mt-1 block text-[15px]">
      <strong className={TRIAGE[triage.verdict].look}>{TRIAGE[triage.verdict].words}</strong>{' '}
      {triage.lines.map(({ words }) => words).join(' ')}
      {repair.skill && ` Asks for: ${repair.skill}.`}
    </span>
  );
}

interface TriageProps {
  readonly repair: Repair;
  readonly offers: Worth['offers'];
  readonly rate: number;
}

const TRIAGE = {
  'worth-it': { words: 'Worth mending on the board.', look: 'text-jade' },
  doubtful: { words: 'Doubtful on the board.', look: 'text-marigold' },
  stop: { words: 'Stop: not on the board.', look: 'text-brick' },
} as const;

function wayWords(way: Repair | Try): string {
  const chance = 'success' in way ? way.success : Math.max(...Object.values(way.cures));
  return [
    way.minutes ? `${way.minutes} min` : '',
    `mends it in ${percent(chance)} of cases`,
    'wanted' in way && way.wanted ? `to ${way.wanted}` : '',
    'licence' in way && way.licence ? `licence: ${way.licence}` : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** Work that the sheet does not name. */
function OwnWords({ endings }: { readonly endings: Endings }) {
  const like: Ending = { kind: 'repair' };
  const own = endings.find(like);
  return (
    <div className="border-b border-hair px-3 py-2 has-checked:bg-card">
      <label className="flex min-h-11 cursor-pointer items-center gap-4">
        <Tick
          name="Other work without a part"
          ticked={own !== undefined}
          onToggle={() => endings.toggle({ ...like, what: 'cleaned', note: '' })}
        />
        <span>
          <strong>Other work without a part</strong>
          <span className="block text-[14px] text-soft">
            Mended on the board, cleaned, reseated, set, thawed, reset.
          </span>
        </span>
      </label>
      {own && (
        <span className="mt-1 flex flex-wrap gap-2 pl-10">
          <select
            aria-label="What is done"
            value={own.what}
            onChange={(event) =>
              endings.say({ ...own, what: event.target.value as NonNullable<Ending['what']> })
            }
            className="min-h-12 border border-soft bg-paper px-2 text-ink"
          >
            {REPAIR_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {WORK_WORDS[kind]}
              </option>
            ))}
          </select>
          <input
            aria-label="What exactly?"
            placeholder="What exactly?"
            value={own.note}
            maxLength={1000}
            onChange={(event) => endings.say({ ...own, note: event.target.value })}
            className="min-h-12 min-w-0 flex-1 border border-soft bg-paper px-3 text-[17px] text-ink"
          />
        </span>
      )}
    </div>
  );
}
