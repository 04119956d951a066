/** What each way from here is expected to cost, and at what that would change. */
import { withoutPrice, type Action, type Plan } from '@jeitinho/core/diagnose';
import { Link } from 'react-router';
import { Button } from '../../parts/button';
import { hoursWords } from '../../parts/hours';
import { amountIn, money } from '../../parts/money';
import { percent } from '../../parts/percent';
import { LINK } from '../../parts/link';
import { useLastAdvice } from '../job/advice';
import { useJob } from '../job/job-context';
import { HangsOn } from './hangs-on';
import { actionWords, planWords, visitWords } from './plan-words';
import type { Endings } from './use-endings';
import type { Worth } from './use-worth';

/** The best way in one line at the top; the others stand below the choices. */
export function BestWay({ found, currency }: Worth) {
  const { sheet } = useJob();
  const { advised } = useLastAdvice() ?? {};
  const [first] = advised?.tests ?? [];
  const { best } = found;
  return (
    <p className="m-0 mt-2 border-l-4 border-jade bg-jade-tint px-4 py-2">
      Costs least: <strong>{planWords(sheet, best)}</strong>, expected{' '}
      <span className="figure">{money(best.cost, currency)}</span>
      {best.visits.length > 0 && (
        <>
          , mended at the first visit in{' '}
          <span className="figure">{percent(best.fixedFirstVisit)}</span>
        </>
      )}
      .{' '}
      {advised && !advised.stop && first && (
        <>Before it, “{first.test.title}” is worth its minutes. </>
      )}
      <a href="#worth-title" className={LINK}>
        All ways, and what they hang on
      </a>
    </p>
  );
}

interface WorthItProps {
  readonly endings: Endings;
  readonly worth: Worth;
}

export function WorthIt({ endings, worth }: WorthItProps) {
  const { sheet } = useJob();
  const { found, actions, shop, currency, covered, typed, setTyped, usualOutage, offers } = worth;
  const rows = rowsOf(found);
  const unpriced = withoutPrice(sheet, offers);
  const take = (visit: readonly Action[]) => {
    for (const { kind, of } of visit) {
      const like = kind === 'replace' ? { kind, part: of } : { kind, repair: of };
      if (!endings.find(like)) endings.toggle(like);
    }
  };
  return (
    <section aria-labelledby="worth-title" className="mt-5">
      <h2 id="worth-title" className="m-0 text-[19px] font-bold">
        What each way is expected to cost
      </h2>
      <p className="m-0 text-[14px] text-soft">
        Parts, work, visits, what could come back, and handing over where nothing helps; each by its
        chance. {covered && `${covered} `}
        {unpriced.length > 0 && `No price known, taken as nothing: ${unpriced.join(', ')}. `}
        <Link to="/shop" className="text-ink underline decoration-jade underline-offset-4">
          Prices of the shop
        </Link>
      </p>
      <label className="mt-2 flex min-h-12 flex-wrap items-center gap-3">
        An hour without it costs its owner
        <input
          inputMode="decimal"
          value={typed}
          placeholder={String(usualOutage)}
          onChange={(event) => setTyped(event.target.value.slice(0, 12))}
          className="figure min-h-11 w-28 border border-soft bg-card px-3 text-[17px] text-ink"
        />
        {typed !== '' && amountIn(typed) === undefined && (
          <span role="alert" className="text-brick">
            That is no amount; {usualOutage} is reckoned with.
          </span>
        )}
      </label>
      <ul className="m-0 mt-1 list-none p-0" aria-label="Ways from here, by expected cost">
        {rows.map(({ words, plan }) => (
          <li
            key={words}
            className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-b border-hair py-2"
          >
            <span>
              <span className="text-[14px] text-soft">{words}</span>
              <strong className="block text-[17px]">{planWords(sheet, plan)}</strong>
              <span className="block text-[14px] text-soft">
                {plan.visits.length > 0 &&
                  `mended at the first visit in ${percent(plan.fixedFirstVisit)}, in the end in ${percent(plan.fixed)} · ${hoursWords(plan.hours)} without it`}
              </span>
              {comesBack(plan).map((action) => (
                <span key={action.id} className="block text-[14px] text-soft">
                  {actionWords(sheet, action)}: comes back in {percent(action.relapse)} of cases
                </span>
              ))}
              {goesBack(plan).map((action) => (
                <span key={action.id} className="block text-[14px] text-soft">
                  {actionWords(sheet, action)}: where it does not help it goes back for{' '}
                  {money(action.refund, currency)}
                </span>
              ))}
            </span>
            <span className="text-right">
              <span className="figure block text-[22px] font-bold">
                {money(plan.cost, currency)}
              </span>
              {plan.visits[0] && (
                <Button kind="quiet" onClick={() => take(plan.visits[0]!)}>
                  Tick {plan.visits.length > 1 ? 'its first visit' : 'it'}
                  <span className="sr-only">: {visitWords(sheet, plan.visits[0])}</span>
                </Button>
              )}
            </span>
          </li>
        ))}
        <NewUnit worth={worth} />
      </ul>
      <HangsOn actions={actions} shop={shop} currency={currency} best={found.best} />
    </section>
  );
}

/** The whole unit new: somebody must say what that costs. */
function NewUnit({ worth }: { readonly worth: Worth }) {
  const { newUnit, unitTyped, setUnitTyped, currency, found } = worth;
  const cheaper = newUnit !== undefined && newUnit.cost < found.best.cost;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-b border-hair py-2">
      <span>
        <span className="text-[14px] text-soft">The whole unit new</span>
        <label className="flex min-h-11 flex-wrap items-center gap-3">
          Fitted, it costs
          <input
            inputMode="decimal"
            value={unitTyped}
            placeholder={newUnit && unitTyped === '' ? String(newUnit.cost) : 'not known'}
            onChange={(event) => setUnitTyped(event.target.value.slice(0, 12))}
            className="figure min-h-11 w-32 border border-soft bg-card px-3 text-[17px] text-ink"
          />
        </label>
        <span className="block text-[14px] text-soft">
          {newUnit
            ? `works in 100% of cases · ${hoursWords(newUnit.hours)} without it${cheaper ? '. It costs less than any mending: say so to the customer.' : ''}`
            : 'Without its price it is left out.'}
        </span>
      </span>
      <span className="figure block text-right text-[22px] font-bold">
        {newUnit ? money(newUnit.cost, currency) : '–'}
      </span>
    </li>
  );
}

/** What is mended and may fail again. */
const comesBack = ({ visits }: Plan): readonly Action[] =>
  visits.flat().filter(({ relapse }) => relapse > 0);

/** Parts that are tried by themselves and can go back. */
const goesBack = ({ visits }: Plan): readonly Action[] =>
  visits.flatMap((visit) => (visit.length === 1 ? visit.filter(({ refund }) => refund > 0) : []));

/** A way that is the same as one above it says nothing new. */
function rowsOf({ best, oneAtATime, asASet, nothing }: Worth['found']) {
  const key = ({ visits }: Plan) =>
    visits.map((visit) => visit.map(({ id }) => id).join('+')).join();
  const all = [
    { words: 'Best', plan: best },
    { words: 'One at a time, each proven', plan: oneAtATime },
    { words: 'All in one visit', plan: asASet },
    { words: 'Nothing mended here', plan: nothing },
  ];
  return all
    .filter(({ plan }, i) => all.findIndex((each) => key(each.plan) === key(plan)) === i)
    .sort((a, b) => a.plan.cost - b.plan.cost);
}
