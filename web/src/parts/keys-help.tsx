/** `?` shows the keys, and tells the words apart. */
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { useKeys } from './keys';
import { DialogFrame, DialogRoot } from './dialog-frame';

const KEYS: readonly [string, string][] = [
  ['Enter', 'go on, keep the reading'],
  ['0–9 . , −', 'type a reading; k M m u for the prefix'],
  ['o', 'OL, the meter’s overload'],
  ['3.1..4.8', 'a figure that wanders'],
  ['0.2M > 1.6M 12s', 'a figure that climbs, or falls'],
  ['14.2^', 'a peak, by max-hold'],
  ['y, q', 'on continuity: it sounds; silence'],
  ['s', 'skip this point'],
  ['b', 'back to the point before'],
  ['r', 'repeat this point'],
  ['n', 'take the suggested next test'],
  ['l', 'zero the leads'],
  ['c', 'contact is proven, where nothing was found'],
  ['j', 'judge otherwise than the limits'],
  ['v', 'void this finding'],
  ['g', 'paste a column of figures'],
  ['d', 'simulated leads down on the points, or off'],
  ['h', 'auto-hold on or off, with a meter connected'],
  ['p', 'photograph'],
  ['t', 'start a clock'],
  ['w', 'test mode or attempt begun now'],
  ['x', 'stop here, on Make safe'],
  ['a', 'tick off the access owed'],
  ['z', 'undo the last entry'],
  ['1–9', 'choose an answer, where there are some'],
  ['Space, arrows', 'take up a visit in the week, move it, put it down'],
  ['Ctrl K', 'find a job, a unit, a test, a pin, a code'],
  ['?', 'this list'],
];

/** Words that are easily taken for each other, told apart by what they do. */
const WORDS: readonly [string, string][] = [
  ['Roll', 'Everything recorded, in its order. Nothing ever leaves it.'],
  ['Undo', 'Takes the last entry back. It stays in the roll, struck through.'],
  ['Withdraw', 'The same for any entry, from the roll: it was never so.'],
  ['Void', 'It was read so, and says nothing: a slip, a wrong state. It stays in the report.'],
  ['Skip', 'Left out on purpose, with the reason. It can be taken later.'],
  ['Repeat', 'The same place once more. Agreeing figures count once, and are believed more.'],
  ['Judge otherwise', 'The figure counts; its verdict is yours, with your reason.'],
  ['Waits', 'Kept, and no evidence yet: contact or what feeds it is not proven.'],
  ['Cannot tell', 'The meter, or a path beside it, does not part good from bad here.'],
  ['Accused', 'Something that was found speaks against it; else it leads by elimination only.'],
  ['Reading', 'One placement of the leads. A test has one or several.'],
];

const OPEN_HELP = 'jeitinho-help';
/** Opens the list without a keyboard. */
export const openHelp = (): boolean => window.dispatchEvent(new Event(OPEN_HELP));

export function KeysHelp() {
  const [open, setOpen] = useState(false);
  useKeys({ '?': () => setOpen(true) });
  useEffect(() => {
    const show = () => setOpen(true);
    window.addEventListener(OPEN_HELP, show);
    return () => window.removeEventListener(OPEN_HELP, show);
  }, []);
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <DialogFrame title="Keys and words">
        <h3 className="mt-3 mb-1 text-[16px] font-bold">Words</h3>
        <Terms terms={WORDS} />
        <h3 className="mt-4 mb-1 text-[16px] font-bold">Keys</h3>
        <Terms terms={KEYS} figure />
        <Dialog.Close className="mt-4 min-h-11 cursor-pointer border border-soft px-4">
          Close
        </Dialog.Close>
      </DialogFrame>
    </DialogRoot>
  );
}

interface TermsProps {
  readonly terms: readonly [string, string][];
  readonly figure?: boolean;
}

const Terms = ({ terms, figure = false }: TermsProps) => (
  <dl className="m-0 grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
    {terms.map(([term, says]) => (
      <div key={term} className="contents">
        <dt className={`font-semibold ${figure ? 'figure' : ''}`}>{term}</dt>
        <dd className="m-0">{says}</dd>
      </div>
    ))}
  </dl>
);

/** The way there for a thumb. */
export const HelpButton = () => (
  <button
    type="button"
    aria-label="Keys and words"
    onClick={openHelp}
    className="figure min-h-11 min-w-11 cursor-pointer text-[18px] text-soft"
  >
    ?
  </button>
);
