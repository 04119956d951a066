/** What a figure may be besides one number: wandering, climbing, a peak; of continuity, what was heard. */
import { limitsOf, toneWords } from '@jeitinho/core/judge';
import { limitsAt } from '@jeitinho/core/job';
import { functionOf, type MeasureTest, type TestPoint } from '@jeitinho/core/sheet';
import { useKeys } from '../../parts/keys';
import { useJob } from '../job/job-context';
import type { ReadingEntry } from './use-reading';

export interface FigureKeysProps {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly reading: ReadingEntry;
}

export function FigureKeys({ test, point, reading }: FigureKeysProps) {
  return functionOf(test, point) === 'continuity' ? (
    <ToneKeys test={test} point={point} reading={reading} />
  ) : (
    <ShapeKeys reading={reading} />
  );
}

/** Said before it misleads: what a tone means on the meter in hand. */
function ToneKeys({ test, point, reading }: FigureKeysProps) {
  const { sheet, state } = useJob();
  const heard = { y: () => reading.setText('tone'), q: () => reading.setText('silence') };
  useKeys(heard, { whileTyping: false });
  const limits = limitsAt(sheet, state, test, point);
  return (
    <div className="mt-1">
      <div className="flex gap-2">
        <Key hint="y" onPress={heard.y}>
          It sounds
        </Key>
        <Key hint="q" onPress={heard.q}>
          Silence
        </Key>
      </div>
      {limits && (
        <p className="m-0 mt-1 text-[15px] text-soft">
          {toneWords(limits, limitsOf(limits), state.meter?.buzzerBelow)}
        </p>
      )}
    </div>
  );
}

/** Once a figure stands there: what is said about it. Each sign can be typed as well. */
function ShapeKeys({ reading }: { readonly reading: ReadingEntry }) {
  const { parsed, text, setText } = reading;
  if (parsed.kind !== 'value' || parsed.climb || parsed.peak) return null;
  const after = (sign: string) => () => setText(text.trim() + sign);
  return (
    <div role="group" aria-label="The figure" className="mt-1 flex gap-2">
      <Key hint=".." onPress={after('..')}>
        wanders to
      </Key>
      <Key hint=">" onPress={after(' > ')}>
        climbs to
      </Key>
      <Key hint="^" onPress={after('^')}>
        is a peak
      </Key>
    </div>
  );
}

interface KeyProps {
  readonly hint: string;
  readonly onPress: () => void;
  readonly children: string;
}

const Key = ({ hint, onPress, children }: KeyProps) => (
  <button
    type="button"
    // The field keeps the focus, so that the other figure can be typed at once.
    onPointerDown={(event) => event.preventDefault()}
    onClick={onPress}
    className="min-h-11 cursor-pointer border border-soft bg-card px-3 text-[15px]"
  >
    {children}{' '}
    <kbd aria-hidden="true" className="figure ml-1 text-soft max-lg:hidden">
      {hint}
    </kbd>
  </button>
);
