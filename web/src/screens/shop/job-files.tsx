/** A job that another shop or device wrote, brought in from its file. */
import type { JobFile } from '@jeitinho/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { bringInJob, readJobFile } from '../../data/job-files';
import { Button } from '../../parts/button';
import { Notice } from '../../parts/notice';

export function JobFiles() {
  const queries = useQueryClient();
  const field = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  const bringing = useMutation({
    networkMode: 'always',
    mutationFn: (file: JobFile) => bringInJob(file),
    onSuccess: () => queries.invalidateQueries(),
  });
  const read = async (chosen: File | undefined) => {
    if (!chosen) return;
    bringing.reset();
    const found = await readJobFile(chosen);
    setProblem('problem' in found ? found.problem : undefined);
    if ('file' in found) bringing.mutate(found.file);
  };
  return (
    <section aria-labelledby="job-files" className="mt-9">
      <h2 id="job-files" className="m-0 text-[20px] font-bold">
        Files
      </h2>
      <p className="m-0 max-w-prose text-soft">
        A job taken out as a file elsewhere comes in whole: customer, unit, sheet, log and pictures.
        What was changed in it by hand is found, and nothing of it comes in.
      </p>
      <Notice text={problem ?? (bringing.isError ? bringing.error.message : undefined)} />
      <Button className="mt-2" disabled={bringing.isPending} onClick={() => field.current?.click()}>
        {bringing.isPending ? 'It is being brought in…' : 'Bring in a job'}
      </Button>
      <input
        ref={field}
        type="file"
        aria-label="Job file"
        accept=".json,application/json"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = '';
          void read(chosen);
        }}
      />
      {bringing.isSuccess && (
        <p role="status" className="border-l-4 border-jade bg-jade-tint px-4 py-3">
          {bringing.data.known
            ? 'This job was here already; what it lacked was added.'
            : 'The job is here.'}{' '}
          {bringing.data.missing > 0 &&
            `${bringing.data.missing} of its pictures were not in the file. `}
          <Link to={`/jobs/${bringing.data.id}`} className="text-ink">
            Open it
          </Link>
        </p>
      )}
    </section>
  );
}
