/** Faults × tests: what each fault shows where, the strongest sign of each test, details on touch. */
import { sharesOf } from '@jeitinho/core/diagnose';
import { outcomeWords } from '@jeitinho/core/judge';
import {
  observablesOf,
  ruleObservables,
  shownBy,
  testsOf,
  type Fault,
  type Sheet,
  type Test,
} from '@jeitinho/core/sheet';
import { useState } from 'react';
import { faultName } from './fault-name';

interface Sign {
  readonly outcome: string;
  /** Chance that the fault shows anything but good there. */
  readonly p: number;
}

/** The strongest sign of a fault among the points and rules of a test; undefined where it is silent. */
function strongest(sheet: Sheet, fault: Fault, test: Test): Sign | undefined {
  const signs = [...observablesOf(test, sheet), ...ruleObservables(test)].flatMap((observable) => {
    const shown = shownBy(fault, observable);
    if (shown === undefined) return [];
    const bad = Object.entries(sharesOf(shown)).filter(([outcome, p]) => outcome !== 'ok' && p > 0);
    if (bad.length === 0) return [];
    const [outcome] = bad.reduce((a, b) => (b[1] > a[1] ? b : a));
    return [{ outcome, p: bad.reduce((sum, [, p]) => sum + p, 0) }];
  });
  return signs.length === 0 ? undefined : signs.reduce((a, b) => (b.p > a.p ? b : a));
}

export function FaultMatrix({ sheet }: { sheet: Sheet }) {
  const [picked, setPicked] = useState<string>();
  const tests = testsOf(sheet);
  const fault = sheet.faults.find((each) => each.id === picked);
  return (
    <>
      <p className="m-0 mb-2 text-[14px] text-soft">
        Bars: how surely a fault shows at a test. Touch a fault for all that it shows.
      </p>
      {/* Scrolls sideways by keyboard as well. */}
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="region"
        aria-label="Faults by tests"
      >
        <table className="border-collapse bg-card text-[13px]">
          <caption className="sr-only">What each fault shows at each test</caption>
          <thead>
            <tr>
              <th
                scope="col"
                className="sticky left-0 z-10 border border-hair bg-card px-2 text-left align-bottom font-normal text-soft"
              >
                fault
              </th>
              {tests.map((test, i) => (
                <th
                  key={test.id}
                  scope="col"
                  className="h-44 min-w-16 border border-hair px-0 align-bottom font-normal"
                >
                  <span className="inline-block max-h-40 rotate-180 truncate px-1 text-left [writing-mode:vertical-rl]">
                    <span className="figure text-soft">{i + 1}</span> {test.title}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sheet.faults.map((each) => (
              <tr
                key={each.id}
                className={each.id === picked ? 'outline-2 -outline-offset-2 outline-jade' : ''}
              >
                <th
                  scope="row"
                  className="sticky left-0 z-10 border border-hair bg-card p-0 text-left font-normal"
                >
                  <button
                    type="button"
                    aria-pressed={each.id === picked}
                    onClick={() => setPicked(each.id === picked ? undefined : each.id)}
                    className="min-h-11 w-56 cursor-pointer px-2 text-left text-[14px] aria-pressed:font-bold max-lg:w-40"
                  >
                    {each.name}
                  </button>
                </th>
                {tests.map((test) => (
                  <SignCell key={test.id} sign={strongest(sheet, each, test)} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {fault && <FaultDetail sheet={sheet} fault={fault} />}
    </>
  );
}

function SignCell({ sign }: { sign: Sign | undefined }) {
  if (!sign) return <td className="border border-hair" />;
  return (
    <td className="w-14 border border-hair px-1 text-center align-middle">
      <span className="block truncate">{outcomeWords(sign.outcome)}</span>
      <span aria-hidden="true" className="mt-0.5 block h-1.5 bg-hair">
        <span className="block h-1.5 bg-brick" style={{ width: `${Math.round(sign.p * 100)}%` }} />
      </span>
      <span className="sr-only">{Math.round(sign.p * 100)} percent</span>
    </td>
  );
}

function FaultDetail({ sheet, fault }: { sheet: Sheet; fault: Fault }) {
  const part = sheet.parts.find(({ id }) => id === fault.part);
  const brings = Object.entries(fault.brings ?? {});
  return (
    <section
      aria-label={fault.name}
      className="mt-3 border border-ink bg-card px-4 py-3"
      role="status"
    >
      <h3 className="m-0 text-[18px] font-bold">{fault.name}</h3>
      <p className="m-0 text-soft">
        {part?.name}
        {fault.component && `, ${fault.component}`} · weight {fault.prior}
      </p>
      {fault.why && <p className="m-0">{fault.why}</p>}
      <ul className="m-0 mt-1 list-none p-0 text-[15px]">
        {Object.entries(fault.shows).map(([name, shown]) => (
          <li key={name}>
            <span className="figure text-soft">{name}</span>{' '}
            {Object.entries(sharesOf(shown))
              .map(
                ([outcome, p]) =>
                  `${outcome === 'ok' ? 'good' : outcomeWords(outcome)} ${Math.round(p * 100)} %`,
              )
              .join(', ')}
          </li>
        ))}
      </ul>
      {brings.length > 0 && (
        <p className="m-0 mt-1">
          May bring:{' '}
          {brings.map(([id, p]) => `${faultName(sheet, id)} ${Math.round(p * 100)} %`).join(', ')}
        </p>
      )}
      {fault.asksAfter && <p className="m-0 mt-1">Ask after: {fault.asksAfter.join('; ')}</p>}
    </section>
  );
}
