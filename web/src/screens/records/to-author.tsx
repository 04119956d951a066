/** Tests that never told anything and limits that good machines failed, with the readings behind them. */
import type { LearntResource } from '@jeitinho/core';
import { formatQuantity } from '@jeitinho/core';
import { bandWords, outcomeWords } from '@jeitinho/core/judge';
import { Link } from 'react-router';
import { many } from '../../parts/many';

export function ToAuthor({
  learnt: { silent, failed, sheet },
}: {
  readonly learnt: LearntResource;
}) {
  if (silent.length === 0 && failed.length === 0)
    return (
      <p className="m-0 text-soft">
        Every test that was taken often has told something, and no limit was failed by machines that
        were good there.
      </p>
    );
  return (
    <>
      {silent.length > 0 && (
        <>
          <h3 className="m-0 text-[17px] font-semibold">
            Tests that never changed what was believed
          </h3>
          <ul className="m-0 list-none p-0">
            {silent.map(({ test, title, taken, minutes }) => (
              <li key={test} className="border-b border-hair py-2">
                <strong>{title}</strong>: taken in {taken} jobs, {Math.round(minutes)} minutes all
                in all. Leave it out, or ask it where it tells?
              </li>
            ))}
          </ul>
        </>
      )}
      {failed.length > 0 && (
        <>
          <h3 className="m-0 mt-3 text-[17px] font-semibold">Limits that good machines failed</h3>
          <ul className="m-0 list-none p-0">
            {failed.map(({ observable, title, readings }) => (
              <li key={observable} className="border-b border-hair py-2">
                <strong>{title}</strong>: bad in{' '}
                {many(new Set(readings.map(({ job }) => job)).size, 'job', 'jobs')} whose fault was
                proven to be elsewhere:{' '}
                {readings.slice(0, 12).map(({ job, value, unit, outcome, low, high }, i) => (
                  <Link
                    key={`${job} ${i}`}
                    to={`/jobs/${job}/measure?at=${encodeURIComponent(observable)}`}
                    className="figure mr-3 inline-flex min-h-11 items-center text-ink"
                  >
                    {value === undefined
                      ? outcomeWords(outcome)
                      : `${formatQuantity(value, unit as 'V')} (${bandWords(low, high, unit as 'V')})`}
                  </Link>
                ))}
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="m-0 mt-2">
        <Link
          to={`/sheets/${encodeURIComponent(sheet)}/edit`}
          className="inline-flex min-h-11 items-center text-ink"
        >
          Change or propose the sheet
        </Link>
      </p>
    </>
  );
}
