/** A customer wants to be forgotten: names go, measurements stay. Asked twice, for nothing brings it back. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { ask } from '../../data/api';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { FIELD } from '../../parts/field';
import { Notice } from '../../parts/notice';

export function EraseCustomer({ id, name }: { readonly id: string; readonly name: string }) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const queries = useQueryClient();
  const erasing = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('eraseCustomer', { params: { id }, body: undefined }),
    onSuccess: async () => {
      setOpen(false);
      await queries.invalidateQueries();
    },
  });
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind="quiet">Erase</Button>
      </Dialog.Trigger>
      <DialogFrame title={`Erase ${name}`}>
        <p>
          Name, phone, places and signatures go, out of the logs of all their visits too. What was
          measured, decided and mended stays with the machines. Nothing brings it back; backups keep
          it until they are thinned out.
        </p>
        <label className="block font-semibold">
          Type the name to make sure
          <input
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            className={FIELD}
          />
        </label>
        <Notice text={erasing.error?.message} />
        <div className="mt-4 flex flex-wrap gap-2">
          <Button
            kind="danger"
            disabled={typed.trim() !== name.trim() || erasing.isPending}
            onClick={() => erasing.mutate()}
          >
            Erase for good
          </Button>
          <Dialog.Close asChild>
            <Button kind="quiet">Leave it</Button>
          </Dialog.Close>
        </div>
      </DialogFrame>
    </DialogRoot>
  );
}
