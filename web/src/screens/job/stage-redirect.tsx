import { currentStage } from '@jeitinho/core';
import { Navigate } from 'react-router';
import { useJob } from './job-context';

/** A job opens where its work stands. */
export function StageRedirect() {
  const { job, sheet, state } = useJob();
  return <Navigate to={`/jobs/${job.id}/${currentStage(sheet, state)}`} replace />;
}
