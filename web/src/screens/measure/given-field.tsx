/** The figure that limits hang on: off this unit’s label, by a reference instrument. Asked once a test. */
import { ofPoint } from '@jeitinho/core/job';
import { askedBy, givenWords, isSeries, parseGiven } from '@jeitinho/core/judge';
import { expectOf, type MeasureTest, type TestPoint } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

export interface GivenFieldProps {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  /** What a reference showed is older than it may be. */
  readonly stale: boolean;
}

export function GivenField({ test, point, stale }: GivenFieldProps) {
  const { job, state, record } = useJob();
  const [text, setText] = useDraft(
    `given.${job.id}.${test.id}${point.expect === undefined ? '' : `.${point.id}`}`,
  );
  const [changing, setChanging] = useState(false);
  const expect = expectOf(test, point);
  const asked = isSeries(expect) ? undefined : askedBy(expect);
  if (!asked) return null;
  const known = ofPoint(state.given, test, point);
  // Limits of its own hang on a figure of its own: the same sensor at another warmth.
  const own = point.expect === undefined ? {} : { point: point.id };
  const parsed = parseGiven(text, asked.unit);
  const keep = async () => {
    if (parsed.kind !== 'value') return;
    const typed = text.trim().slice(0, 60);
    const { value, plusMinus } = parsed;
    const beside = plusMinus === undefined ? {} : { plusMinus };
    if (await record('given', { test: test.id, ...own, value, ...beside, typed })) {
      setText('');
      setChanging(false);
    }
  };
  if (known !== undefined && !changing && !stale)
    return (
      <p className="m-0 mb-2 text-[15px]">
        {asked.asks}: <strong className="figure">{givenWords(known, asked.unit)}</strong>{' '}
        <button
          type="button"
          onClick={() => setChanging(true)}
          className="min-h-11 cursor-pointer px-2 underline decoration-hair underline-offset-4"
        >
          Change
        </button>
      </p>
    );
  return (
    <form
      data-keys="off"
      className="mb-3 border-l-4 border-marigold bg-marigold-tint px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <label className="block">
        <strong>
          {stale ? 'Again, it is older than ten minutes' : 'First'}: {asked.asks}
        </strong>
        <span className="mt-1 flex items-end gap-2">
          <input
            autoFocus
            autoComplete="off"
            inputMode="decimal"
            value={text}
            maxLength={24}
            onChange={(event) => setText(event.target.value)}
            className="figure min-h-12 w-44 border border-soft bg-card px-3 text-[22px] text-ink"
          />
          <Button kind="go" type="submit" disabled={parsed.kind !== 'value'}>
            Keep
          </Button>
        </span>
      </label>
      <p role="status" className="m-0 mt-1 min-h-6 text-[15px]">
        {parsed.kind === 'error' ? (
          <span className="text-brick">{parsed.message}</span>
        ) : parsed.kind === 'value' ? (
          <span className="figure">{parsed.echo}</span>
        ) : (
          hintWords(expect.kind, asked.printed)
        )}
      </p>
    </form>
  );
}

/** What may stand beside the figure. */
const hintWords = (kind: string, printed: boolean | undefined): string =>
  printed
    ? 'With the tolerance that it prints: 4.7k ±5%.'
    : kind === 'label'
      ? 'The limits of this test hang on it. A tolerance printed beside it goes with it: ±5%.'
      : 'The limits of this test hang on it. How far the instrument may be off goes with it: ±0.5.';
