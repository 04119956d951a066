/** Keys and taps on a job's page since its last entry: what a step costs, for whoever makes it cheaper. */
import { MOST_PRESSES } from '@jeitinho/core/job';

interface Counted {
  readonly jobId: string;
  readonly presses?: number;
}

export class PressCounter {
  private jobId: string | undefined;
  private count = 0;

  /** Somebody pressed while the page of this job, or of none, was open. Another page begins anew. */
  press(jobId: string | undefined): void {
    if (jobId !== this.jobId) {
      this.jobId = jobId;
      this.count = 0;
    }
    if (jobId !== undefined) this.count = Math.min(MOST_PRESSES, this.count + 1);
  }

  /** As an entry of the job has it; nothing where the job is on no page here, as for what a program writes. */
  since(jobId: string): { presses?: number } {
    return jobId === this.jobId ? { presses: this.count } : {};
  }

  /** They belong to that entry now; what was pressed since it was made stays. */
  written({ jobId, presses = 0 }: Counted): void {
    if (jobId === this.jobId) this.count = Math.max(0, this.count - presses);
  }
}

export const presses = new PressCounter();

const JOB = /^\/jobs\/([^/]+)/;

/** Listens to the page from now on. A key held down is one press; a key that only changes another is none. */
export function countPresses(page: Window): void {
  const press = () => presses.press(JOB.exec(page.location.pathname)?.[1]);
  page.addEventListener('pointerdown', press, { capture: true, passive: true });
  page.addEventListener(
    'keydown',
    ({ repeat, key }) => {
      if (!repeat && !/^(Shift|Control|Alt|Meta|AltGraph)$/.test(key)) press();
    },
    { capture: true, passive: true },
  );
}
