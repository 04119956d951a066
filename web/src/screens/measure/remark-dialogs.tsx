/** What may be said of a finding: contact proven, void, judged otherwise. Each goes on the record. */
import { CONTACT_PROOFS, CONTACT_WORDS, type Taken } from '@jeitinho/core/job';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { useJob } from '../job/job-context';
import { JobNotice } from '../job/job-notice';

export type Remark = 'contact' | 'void' | 'overrule';

export function RemarkDialog({
  remark,
  taken,
  onClose,
}: {
  remark: Remark | undefined;
  taken: Taken | undefined;
  onClose: () => void;
}) {
  return (
    <DialogRoot open={remark !== undefined} onOpenChange={(open) => !open && onClose()}>
      {remark && taken && (
        <DialogFrame title={TITLES[remark]}>
          {remark === 'contact' ? (
            <ContactForm taken={taken} onDone={onClose} />
          ) : (
            <ReasonForm remark={remark} taken={taken} onDone={onClose} />
          )}
          <JobNotice />
          <Dialog.Close asChild>
            <Button kind="quiet">Leave it as it is</Button>
          </Dialog.Close>
        </DialogFrame>
      )}
    </DialogRoot>
  );
}

const TITLES: Readonly<Record<Remark, string>> = {
  contact: 'How was contact proven?',
  void: 'Void: why does it say nothing?',
  overrule: 'Judge otherwise: why?',
};

interface FormProps {
  readonly taken: Taken;
  readonly onDone: () => void;
}

function ContactForm({ taken, onDone }: FormProps) {
  const { record } = useJob();
  const prove = async (index: number) => {
    const how = CONTACT_PROOFS[index];
    if (how && (await record('contact', { entry: taken.entry, how }))) onDone();
  };
  return (
    <div
      className="mt-3 flex flex-col gap-2"
      onKeyDown={(event) => {
        if (/^[1-9]$/.test(event.key)) void prove(Number(event.key) - 1);
      }}
    >
      <p className="m-0 text-[15px] text-soft">
        A probe on paint, in the wrong jack or on the wrong function shows the same. Then repeat the
        reading if anything moved.
      </p>
      {CONTACT_PROOFS.map((how, i) => (
        <Button key={how} className="text-left" onClick={() => void prove(i)}>
          <span aria-hidden="true" className="figure mr-3 text-soft max-lg:hidden">
            {i + 1}
          </span>
          {CONTACT_WORDS[how]}
        </Button>
      ))}
    </div>
  );
}

const VOID_REASONS = ['probe slipped', 'wrong place', 'unit was in the wrong state'];

function ReasonForm({ remark, taken, onDone }: FormProps & { remark: 'void' | 'overrule' }) {
  const { record } = useJob();
  const wasGood =
    taken.kind === 'answer' ? taken.outcome === 'ok' : taken.judgement.verdict === 'in';
  const [reason, setReason] = useState('');
  const keep = async (words: string) => {
    const { entry } = taken;
    const kept =
      remark === 'void'
        ? await record('voided', { entry, reason: words })
        : await record('overruled', { entry, as: wasGood ? 'bad' : 'good', reason: words });
    if (kept) onDone();
  };
  return (
    <form
      className="mt-3 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() !== '') void keep(reason.trim());
      }}
    >
      {remark === 'overrule' ? (
        <p className="m-0">
          {wasGood
            ? 'The limits call it in. You condemn it all the same.'
            : 'The limits do not call it in. You accept it all the same.'}{' '}
          <span className="text-soft">
            The figure stays as it was read, with your reason beside it.
          </span>
        </p>
      ) : (
        VOID_REASONS.map((words) => (
          <Button key={words} className="text-left" onClick={() => void keep(words)}>
            {words}
          </Button>
        ))
      )}
      <label className="text-[14px] text-soft">
        {remark === 'overrule' ? 'Your reason' : 'Another reason'}
        <input
          autoFocus={remark === 'overrule'}
          value={reason}
          maxLength={1000}
          onChange={(event) => setReason(event.target.value)}
          className="block min-h-12 w-full border border-soft bg-paper px-3 text-[18px] text-ink"
        />
      </label>
      <Button kind="go" type="submit" disabled={reason.trim() === ''}>
        {remark === 'void' ? 'Void it' : wasGood ? 'Condemn it' : 'Accept it'}
      </Button>
    </form>
  );
}
