/** A new model that is much like a known one: its sheet begun from that one’s, as a draft in the editor. */
import { slug } from '@jeitinho/core';
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { keepDraft } from './editor/use-sheet-draft';

export function CopySheet({ sheet }: { sheet: WrittenSheet }) {
  return (
    <DialogRoot>
      <Dialog.Trigger className="min-h-11 cursor-pointer border border-soft bg-card px-4">
        Begin another from it
      </Dialog.Trigger>
      <DialogFrame title="A sheet for another model">
        <CopyForm sheet={sheet} />
      </DialogFrame>
    </DialogRoot>
  );
}

function CopyForm({ sheet }: { sheet: WrittenSheet }) {
  const navigate = useNavigate();
  const [maker, setMaker] = useState(sheet.equipment.maker);
  const [model, setModel] = useState('');
  const ready = maker.trim() !== '' && model.trim() !== '';
  const begin = async () => {
    const id = slug(`${maker.trim()}-${model.trim()}`.toLowerCase());
    const copy: WrittenSheet = {
      ...sheet,
      id,
      revision: 1,
      title: `${maker.trim()} ${model.trim()}`,
      equipment: { ...sheet.equipment, maker: maker.trim(), models: [model.trim()] },
    };
    await keepDraft(id, { base: 0, sheet: copy, from: sheet });
    void navigate(`/sheets/${encodeURIComponent(id)}/edit`);
  };
  const field = (label: string, value: string, set: (text: string) => void) => (
    <label className="block text-[14px] text-soft">
      {label}
      <input
        value={value}
        maxLength={80}
        autoComplete="off"
        onChange={(event) => set(event.target.value)}
        className="mt-0.5 block min-h-12 w-full border border-soft bg-paper px-3 text-[16px] text-ink"
      />
    </label>
  );
  return (
    <form
      className="mt-3 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) void begin();
      }}
    >
      <p className="m-0 text-soft">
        Everything of {sheet.title} is copied. Check every limit against the new machine’s own
        document.
      </p>
      {field('Maker', maker, setMaker)}
      {field('Model', model, setModel)}
      <div className="flex justify-between gap-3">
        <Dialog.Close asChild>
          <Button kind="quiet">Cancel</Button>
        </Dialog.Close>
        <Button kind="go" type="submit" disabled={!ready}>
          Begin
        </Button>
      </div>
    </form>
  );
}
