/** What the decision costs the customer, and what they said to it before the work. */
import { quoteOf, type Quote } from '@jeitinho/core';
import type { Plan } from '@jeitinho/core/diagnose';
import { ACCEPT_WAYS, ACCEPT_WORDS, type Ending } from '@jeitinho/core/job';
import { useDraft } from '../../data/draft';
import { clockTime, longDay } from '../../data/now';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { hoursWords } from '../../parts/hours';
import { amountIn, money } from '../../parts/money';
import { useJob } from '../job/job-context';
import type { Terms } from './use-terms';

export interface AgreedProps {
  readonly endings: readonly Ending[];
  readonly terms: Pick<Terms, 'offers' | 'coverage' | 'shop' | 'currency'>;
  /** What is chosen, with what can follow it. */
  readonly plan: Plan | undefined;
  /** Whether exactly this was decided: only then can somebody agree to it. */
  readonly settled: boolean;
}

export function Agreed({ endings, terms, plan, settled }: AgreedProps) {
  const { sheet, state } = useJob();
  const { currency } = terms;
  const quote = quoteOf(sheet, endings, terms);
  if (quote.lines.length === 0) return null;
  const { accepted, decision } = state;
  const current = accepted && accepted.body.decision === decision?.id && settled;
  return (
    <section aria-labelledby="agreed" className="mt-5 border border-hair bg-card px-4 py-3">
      <h2 id="agreed" className="m-0 text-[17px] font-bold">
        For the customer
      </h2>
      {plan && <p className="m-0 pb-1">{plainWords(plan, quote)}</p>}
      <ul className="m-0 list-none p-0">
        {quote.lines.map(({ words, material, work, minutes, months, unpriced }) => (
          <li key={words} className="flex justify-between gap-4 border-t border-hair py-1.5">
            <span>
              {words}
              <span className="block text-[14px] text-soft">
                {unpriced ? 'no price known' : `part ${money(material, currency)}`} · work{' '}
                {money(work, currency)}, {minutes} min
                {months !== undefined && ` · ${months} months’ warranty on it`}
              </span>
            </span>
            <span className="figure whitespace-nowrap">{money(material + work, currency)}</span>
          </li>
        ))}
        {quote.visit > 0 && (
          <li className="flex justify-between gap-4 border-t border-hair py-1.5">
            <span>
              Another visit, for what is ordered
              {quote.leadHours > 0 && (
                <span className="block text-[14px] text-soft">
                  there in {hoursWords(quote.leadHours)}
                </span>
              )}
            </span>
            <span className="figure whitespace-nowrap">{money(quote.visit, currency)}</span>
          </li>
        )}
      </ul>
      <p className="m-0 flex justify-between gap-4 border-t-2 border-ink py-1.5 text-[18px] font-bold">
        <span>Together</span>
        <span className="figure whitespace-nowrap">{money(quote.total, currency)}</span>
      </p>
      {current ? (
        <p role="status" className="m-0 border-l-4 border-jade bg-jade-tint px-3 py-2">
          <strong>
            {accepted.body.by} {accepted.body.agreed ? 'agreed to' : 'did not agree to'}{' '}
            {money(accepted.body.amount, accepted.body.currency)}
          </strong>
          , {ACCEPT_WORDS[accepted.body.how]}, {longDay(accepted.at)} {clockTime(accepted.at)}.
          {accepted.body.note && ` ${accepted.body.note}`}
        </p>
      ) : (
        accepted && (
          <p className="m-0 text-marigold">
            {accepted.body.by} {accepted.body.agreed ? 'agreed to' : 'did not agree to'} something
            else, {money(accepted.body.amount, accepted.body.currency)}. Ask again.
          </p>
        )
      )}
      {settled ? (
        !current && <Ask total={quote.total} minutes={quote.minutes} currency={currency} />
      ) : (
        <p className="m-0 text-[15px] text-soft">Once it is decided, note what they say to it.</p>
      )}
    </section>
  );
}

interface AskProps {
  readonly total: number;
  readonly minutes: number;
  readonly currency: string;
}

function Ask({ total, minutes, currency }: AskProps) {
  const { job, state, record } = useJob();
  const key = `agreed.${job.id}`;
  const [by, setBy] = useDraft(`${key}.by`);
  const [sum, setSum] = useDraft(`${key}.sum`);
  const [how, setHow] = useDraft(`${key}.how`);
  const [note, setNote] = useDraft(`${key}.note`);
  const shown = sum === '' ? total.toFixed(2) : sum;
  const amount = amountIn(shown);
  const way = ACCEPT_WAYS.find((each) => each === how) ?? 'here';
  const say = async (agreed: boolean) => {
    if (amount === undefined || by.trim() === '' || !state.decision) return;
    const kept = await record('accepted', {
      decision: state.decision.id,
      agreed,
      by: by.trim(),
      how: way,
      amount,
      currency,
      minutes,
      note: note.trim(),
    });
    if (kept) for (const drop of [setBy, setSum, setHow, setNote]) drop('');
  };
  return (
    <div className="grid gap-3 pt-2 sm:grid-cols-3">
      <label className="block text-[14px] text-soft">
        Who says so
        <input
          value={by}
          maxLength={120}
          autoComplete="off"
          placeholder={job.customer.name}
          onChange={(event) => setBy(event.target.value)}
          className={FIELD}
        />
      </label>
      <label className="block text-[14px] text-soft">
        Up to the sum of {currency}
        <input
          inputMode="decimal"
          value={shown}
          aria-invalid={amount === undefined}
          onChange={(event) => setSum(event.target.value.slice(0, 14))}
          className={`figure ${FIELD} aria-invalid:border-2 aria-invalid:border-brick`}
        />
      </label>
      <label className="block text-[14px] text-soft">
        How
        <select value={way} onChange={(event) => setHow(event.target.value)} className={FIELD}>
          {ACCEPT_WAYS.map((each) => (
            <option key={each} value={each}>
              {ACCEPT_WORDS[each]}
            </option>
          ))}
        </select>
      </label>
      <label className="block text-[14px] text-soft sm:col-span-3">
        Note (may stay blank)
        <input
          value={note}
          maxLength={1000}
          onChange={(event) => setNote(event.target.value)}
          className={FIELD}
        />
      </label>
      <p className="m-0 flex flex-wrap gap-3 sm:col-span-3">
        <Button
          kind="go"
          disabled={by.trim() === '' || amount === undefined}
          onClick={() => void say(true)}
        >
          They agree
        </Button>
        <Button disabled={by.trim() === '' || amount === undefined} onClick={() => void say(false)}>
          They do not
        </Button>
      </p>
    </div>
  );
}

/** What one says to somebody who has never seen a board: how likely, how long, and what if not. */
function plainWords(plan: Plan, { minutes, leadHours }: Quote): string {
  const often = Math.round(plan.fixedFirstVisit * 100);
  const wait = leadHours > 0 ? `once the part is here, in ${hoursWords(leadHours)}, ` : '';
  const more = plan.visits.length > 1 || plan.fixed < 0.95;
  return `Of a hundred machines like this about ${often} work again with it; ${wait}it takes ${minutes} minutes.${more && often < 95 ? ' If it is not enough, more has to be done, at a price of its own.' : ''}`;
}
