import { currentStage } from '@jeitinho/core/job';
import { Navigate } from 'react-router';
import { useJob } from './job-context';
import { stagePath } from './paths';

/** A job opens where its work stands. */
export function StageRedirect() {
  const { job, sheet, state } = useJob();
  return <Navigate to={stagePath(job.id, currentStage(sheet, state))} replace />;
}
