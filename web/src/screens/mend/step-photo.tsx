/** A picture that a step asks for: the old board with its wires on, before one is pulled. */
import { useRef, useState } from 'react';
import { keepPhoto, takePhoto } from '../../data/photos';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

export function StepPhoto({ caption }: { readonly caption: string }) {
  const { job, state, record } = useJob();
  const field = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState('');
  const taken = state.photos.filter(({ body }) => body.caption === caption).length;
  const take = async (file: File | undefined) => {
    if (!file) return;
    const found = await takePhoto(file);
    setProblem(found.ok ? '' : found.problem);
    if (!found.ok) return;
    const { hash, blob, width, height } = found.photo;
    await keepPhoto(job.id, found.photo);
    await record('photo', { hash, width, height, bytes: blob.size, caption });
  };
  return (
    <span className="ml-auto flex items-center gap-2">
      {problem && (
        <span role="alert" className="text-[14px] text-brick">
          {problem}
        </span>
      )}
      <Button aria-label={`Photograph: ${caption}`} onClick={() => field.current?.click()}>
        {taken > 0 ? `✓ ${taken} taken` : 'Photograph'}
      </Button>
      <input
        ref={field}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label={`Picture file: ${caption}`}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = '';
          void take(chosen);
        }}
      />
    </span>
  );
}
