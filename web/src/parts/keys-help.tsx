/** `?` shows the keys. */
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useKeys } from './keys';
import { DialogFrame } from './dialog-frame';

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
  ['Ctrl K', 'find a job, a stage or a test'],
  ['?', 'this list'],
];

export function KeysHelp() {
  const [open, setOpen] = useState(false);
  useKeys({ '?': () => setOpen(true) });
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <DialogFrame title="Keys">
        <dl className="m-0 mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
          {KEYS.map(([key, does]) => (
            <div key={key} className="contents">
              <dt className="figure font-semibold">{key}</dt>
              <dd className="m-0">{does}</dd>
            </div>
          ))}
        </dl>
        <Dialog.Close className="mt-4 min-h-11 cursor-pointer border border-soft px-4">
          Close
        </Dialog.Close>
      </DialogFrame>
    </Dialog.Root>
  );
}
