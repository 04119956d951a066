/** Addresses within a job. Which stage follows which is the trail’s to say. */
import { stageAfter, type EntryPlace, type Stage } from '@jeitinho/core/job';
import { useNavigate } from 'react-router';
import { useJob } from './job-context';

/** Address of a stage, or of one of its cards. */
export function placePath(jobId: string, { stage, observable, test }: EntryPlace): string {
  const query = new URLSearchParams();
  if (observable !== undefined) query.set('at', observable);
  else if (test !== undefined) query.set('test', test);
  return `/jobs/${jobId}/${stage}${query.size === 0 ? '' : `?${query.toString()}`}`;
}

export const stagePath = (jobId: string, stage: Stage): string => placePath(jobId, { stage });

/** Goes to the stage that follows on the trail. */
export function useGoOn(stage: Stage): () => void {
  const { job, state } = useJob();
  const navigate = useNavigate();
  return () => void navigate(stagePath(job.id, stageAfter(stage, state)));
}
