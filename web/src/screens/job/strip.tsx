/** The strip: suspects or the roll. At the side on a tablet, pulled up from below on a phone. */
import { Dialog, Tabs } from 'radix-ui';
import { percent } from '../../parts/percent';
import type { Assessment } from '@jeitinho/core/diagnose';
import { useAssessment, useJob } from './job-context';
import { Roll } from './roll';
import { Suspects } from './suspects';

const TAB =
  'min-h-11 cursor-pointer border-b-[3px] border-transparent px-1 text-[16px] text-soft data-[state=active]:border-ink data-[state=active]:font-bold data-[state=active]:text-ink';

export function Strip() {
  const { state } = useJob();
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
  const { name, p } = likeliestWords(assessment);
  return (
    <Dialog.Root>
      <Dialog.Trigger className="no-print flex min-h-12 cursor-pointer items-center justify-between gap-3 border-t border-ink bg-card px-3.5 text-left lg:hidden">
        <span className="min-w-0 truncate">
          <strong>{name}</strong> <span className="figure">{percent(p)}</span>
        </span>
        <span className="shrink-0 text-soft">suspects ▴</span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
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
    </Dialog.Root>
  );
}

/** What is likeliest of all, in one line. */
function likeliestWords({ suspects, other, sound }: Assessment): { name: string; p: number } {
  return [
    ...suspects.map(({ fault, now }) => ({ name: fault.name, p: now })),
    { name: 'Nothing wrong', p: sound.p },
    { name: 'Something not on this sheet', p: other.p },
  ].reduce((best, each) => (each.p > best.p ? each : best));
}
