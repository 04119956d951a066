/** A photograph, tied to the place in hand, to a spot on a board, or to nothing in particular. */
import type { Step } from '@jeitinho/core/job';
import { isMeasured, locate, placeName } from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import { keepPhoto, takePhoto } from '../../data/photos';
import { BoardFigure } from '../../parts/board/board-drawing';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { useKeys } from '../../parts/keys';
import { Photo } from '../../parts/photo';
import { useJob } from '../job/job-context';
import { JobNotice } from '../job/job-notice';

export function PhotoButton({ step }: { step: Step }) {
  const [open, setOpen] = useState(false);
  const { state } = useJob();
  useKeys({ p: () => setOpen(true) }, { whileTyping: false });
  const here = state.photos.filter(({ body }) => body.test === step.test.id).length;
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="inline-flex min-h-11 cursor-pointer items-center px-2 text-[15px] whitespace-nowrap underline decoration-hair underline-offset-4">
        Photo{here > 0 ? ` (${here})` : ''}
      </Dialog.Trigger>
      <DialogFrame title="Photograph">
        <PhotoForm step={step} onDone={() => setOpen(false)} />
      </DialogFrame>
    </DialogRoot>
  );
}

type Spot = { readonly board: string; readonly at: [number, number] };

function PhotoForm({ step, onDone }: { step: Step; onDone: () => void }) {
  const { job, sheet, state, record } = useJob();
  const file = useRef<HTMLInputElement>(null);
  const point = isMeasured(step.test)
    ? step.test.points.find(({ id }) => id === step.point)
    : undefined;
  const place = point?.red === undefined ? undefined : locate(sheet, point.red);
  const board = place?.board ?? sheet.boards[0]!;
  const [caption, setCaption] = useState('');
  const [spot, setSpot] = useState<Spot>();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const take = async (picked: File) => {
    setBusy(true);
    setProblem(undefined);
    try {
      const taken = await takePhoto(picked);
      if (!taken.ok) return setProblem(taken.problem);
      const { photo } = taken;
      await keepPhoto(job.id, photo);
      const kept = await record('photo', {
        hash: photo.hash,
        width: photo.width,
        height: photo.height,
        bytes: photo.blob.size,
        caption: caption.trim(),
        test: step.test.id,
        ...(spot ? { spot } : place && { place: place.ref }),
      });
      if (kept) onDone();
    } catch {
      setProblem('This device could not keep the picture: its storage refuses. Free some space.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="mt-2 flex flex-col gap-3">
      <label className="text-[14px] text-soft">
        What it shows
        <input
          value={caption}
          maxLength={400}
          placeholder="before unplugging; C1 bulged; burn at R12"
          onChange={(event) => setCaption(event.target.value)}
          className="block min-h-12 w-full border border-soft bg-paper px-3 text-[18px] text-ink"
        />
      </label>
      <div>
        <p className="m-0 text-[14px] text-soft">
          At{' '}
          <strong className="text-ink">
            {spot
              ? `the marked spot on the ${board.name.toLowerCase()}`
              : place
                ? `${placeName(place)} on the ${board.name.toLowerCase()}`
                : 'no place in particular'}
          </strong>
          . Touch the drawing to mark another spot.
        </p>
        <BoardFigure
          board={board}
          spot={spot?.at}
          onSpot={(at) => setSpot({ board: board.id, at })}
          plain
        />
      </div>
      <input
        ref={file}
        type="file"
        accept="image/*"
        aria-label="Picture file"
        className="sr-only"
        onChange={(event) => {
          const picked = event.target.files?.[0];
          event.target.value = '';
          if (picked) void take(picked);
        }}
      />
      <p role="status" className="m-0 min-h-6 text-brick">
        {busy ? <span className="text-soft">Shrinking and keeping it …</span> : problem}
      </p>
      <JobNotice />
      <div className="flex gap-2">
        <Button kind="go" disabled={busy} onClick={() => file.current?.click()}>
          Take or choose a picture
        </Button>
        <Dialog.Close asChild>
          <Button kind="quiet">Close</Button>
        </Dialog.Close>
      </div>
      {state.photos.length > 0 && (
        <ul
          aria-label="Pictures of this job"
          className="m-0 flex list-none gap-2 overflow-x-auto p-0"
        >
          {state.photos.map(({ id, body }) => (
            <li key={id} className="shrink-0">
              <Photo
                hash={body.hash}
                words={body.caption || 'Picture without words'}
                className="h-24"
              />
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
