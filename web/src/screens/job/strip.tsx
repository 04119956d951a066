/** The strip: suspects or the roll. At the side on a tablet, pulled up from below on a phone. */
import { Dialog, Tabs } from 'radix-ui';
import { DialogRoot, WhileOpen } from '../../parts/dialog-frame';
import { useState, type MouseEvent } from 'react';
import { percent } from '../../parts/percent';
import type { Assessment } from '@jeitinho/core/diagnose';
import { useAssessment, useSettled } from './job-context';
import { Roll } from './roll';
import { Suspects } from './suspects';

const TAB =
  'min-h-11 cursor-pointer border-b-[3px] border-transparent px-1 text-[16px] text-soft data-[state=active]:border-ink data-[state=active]:font-bold data-[state=active]:text-ink';

export function Strip() {
  const { state } = useSettled();
  return (
    <Tabs.Root defaultValue="suspects" className="flex min-h-full flex-col">
      <Tabs.List
        aria-label="Suspects or roll"
        className="flex gap-5 border-b border-hair px-[18px] pt-2"
      >
        <Tabs.Trigger value="suspects" className={TAB}>
          Suspects
        </Tabs.Trigger>
        <Tabs.Trigger value="roll" className={TAB}>
          Roll <span className="figure text-[14px]">{state.log.length}</span>
        </Tabs.Trigger>
      </Tabs.List>
      <Tabs.Content value="suspects" className="flex flex-1 flex-col">
        <Suspects />
      </Tabs.Content>
      <Tabs.Content value="roll" className="flex-1">
        <Roll />
      </Tabs.Content>
    </Tabs.Root>
  );
}

export function PhoneStrip() {
  const assessment = useAssessment();
  const shares = sharesOf(assessment);
  const { name, p } = shares[0]!;
  const [open, setOpen] = useState(false);
  // Whoever goes somewhere from within wants to see it.
  const onGoing = (event: MouseEvent) => {
    if ((event.target as Element).closest('a')) setOpen(false);
  };
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="no-print relative flex min-h-12 cursor-pointer items-center justify-between gap-3 border-t border-ink bg-card px-3.5 text-left lg:hidden">
        <Shares shares={shares} />
        <span className="min-w-0 truncate">
          <strong>{name}</strong> <span className="figure">{percent(p)}</span>
        </span>
        <span className="shrink-0 text-soft">suspects ▴</span>
      </Dialog.Trigger>
      <WhileOpen>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 bg-black/50" />
          <Dialog.Content
            aria-describedby={undefined}
            onClick={onGoing}
            className="fixed inset-x-0 bottom-0 max-h-[80dvh] overflow-y-auto border-t-2 border-ink bg-paper pb-4"
          >
            <div className="flex items-center justify-between pl-[18px]">
              <Dialog.Title className="m-0 text-[18px] font-bold">What could be wrong</Dialog.Title>
              <Dialog.Close className="min-h-12 min-w-20 cursor-pointer text-soft underline">
                Close
              </Dialog.Close>
            </div>
            <Strip />
          </Dialog.Content>
        </Dialog.Portal>
      </WhileOpen>
    </DialogRoot>
  );
}

interface Share {
  readonly name: string;
  readonly p: number;
}

/** Everything that it could be, likeliest first. */
const sharesOf = ({ suspects, other, sound }: Assessment): Share[] =>
  [
    ...suspects.map(({ fault, now }) => ({ name: fault.name, p: now })),
    { name: 'Nothing wrong', p: sound.p },
    { name: 'Something not on this sheet', p: other.p },
  ].sort((a, b) => b.p - a.p);

/** The edge of the drawer, cut into what each suspect has of the whole. */
function Shares({ shares }: { readonly shares: readonly Share[] }) {
  const whole = Math.max(
    1,
    shares.reduce((sum, { p }) => sum + p, 0),
  );
  return (
    <span aria-hidden="true" className="absolute inset-x-0 top-0 flex h-1.5 gap-px bg-paper">
      {shares.map(({ name, p }, i) => (
        <span
          key={name}
          className={`grow-0 ${i === 0 ? 'bg-brick' : 'bg-copper'}`}
          style={{ width: `${(p / whole) * 100}%` }}
        />
      ))}
    </span>
  );
}
