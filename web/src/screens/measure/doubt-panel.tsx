/** What a reading asks before it is believed: contact, a repeat, two leads exchanged. */
import { CONTACT_OWED, swappedWith, type Taken, type TakenReading } from '@jeitinho/core/job';
import { functionOf, type MeasureTest, type TestPoint } from '@jeitinho/core/sheet';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { useJob } from '../job/job-context';
import { takenWords } from '../job/taken-words';
import { readingAt } from './told';

export interface DoubtPanelProps {
  readonly test: MeasureTest;
  readonly taken: TakenReading;
  readonly onContact: () => void;
  readonly onRepeat: (observable: string) => void;
}

export function DoubtPanel({ test, taken, onContact, onRepeat }: DoubtPanelProps) {
  const { sheet, state } = useJob();
  const { standing, judgement, point } = taken;
  const swapped = swappedWith(sheet, state, test, point);
  if (swapped) return <Swapped test={test} here={point} there={swapped} />;
  if (taken.contradicts !== undefined && !taken.resolved) return <Contradiction taken={taken} />;
  if (standing.kind === 'waits' && standing.because === CONTACT_OWED)
    return (
      <Panel label="Contact owed">
        <p className="m-0">
          Touch the leads together, scrape to metal, try a second point; then say so.
        </p>
        <Button hint="c" onClick={onContact}>
          Contact is proven
        </Button>
      </Panel>
    );
  const condemns = standing.kind === 'counts' && judgement.verdict === 'out' && !taken.overruled;
  if (!condemns) return null;
  return taken.agreeing > 0 ? (
    <p className="m-0 mt-1 text-[15px] text-soft">
      Read {taken.agreeing + 1} times with the same result.
    </p>
  ) : (
    <Panel label="Repeat before you believe">
      <p className="m-0">
        <strong>Repeat before you believe it:</strong> other probes, better contact, another ground.
      </p>
      <Button hint="r" onClick={() => onRepeat(taken.observable)}>
        Repeat
      </Button>
    </Panel>
  );
}

/** Two figures of one place, moments apart, and one good: which of them is the machine? */
export function Contradiction({ taken }: { readonly taken: Taken }) {
  const { state, record } = useJob();
  const before = state.taken.find(({ entry }) => entry === taken.contradicts);
  const say = (as: 'slip' | 'comes-and-goes') =>
    void record('contradiction', { entry: taken.entry, as });
  useKeys({ f: () => say('slip'), i: () => say('comes-and-goes') }, { whileTyping: false });
  return (
    <Panel label="Two figures contradict each other">
      <p className="m-0">
        <strong>A moment ago it read {before ? takenWords(before) : 'otherwise'}.</strong> Was that
        a slip, or does it come and go?
      </p>
      <Button hint="f" onClick={() => say('slip')}>
        The first was a slip
      </Button>
      <Button hint="i" onClick={() => say('comes-and-goes')}>
        It comes and goes
      </Button>
    </Panel>
  );
}

function Swapped({ test, here, there }: { test: MeasureTest; here: TestPoint; there: TestPoint }) {
  const { state, record } = useJob();
  const exchange = async () => {
    const [a, b] = [readingAt(state, test, here), readingAt(state, test, there)];
    if (!a || !b) return;
    for (const [point, from] of [
      [here, b],
      [there, a],
    ] as const) {
      const body = {
        test: test.id,
        point: point.id,
        function: functionOf(test, point),
        reading: { ...from.reading },
        typed: from.typed,
      };
      if (!(await record('reading', body))) return;
    }
  };
  return (
    <Panel label="Leads exchanged">
      <p className="m-0">
        <strong>
          {here.name ?? here.id} and {there.name ?? there.id} look exchanged:
        </strong>{' '}
        each reads what the other should. Red and black were swapped, or the two were taken in the
        other order.
      </p>
      <Button onClick={() => void exchange()}>Exchange the two readings</Button>
    </Panel>
  );
}

function Panel({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <section
      aria-label={label}
      className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-2 border-l-4 border-marigold bg-marigold-tint px-3 py-2 text-[15px]"
    >
      {children}
    </section>
  );
}
