/** The last refusal, inside a dialog: what stands over the card is dimmed behind it. */
import { useEffect, useRef } from 'react';
import { Notice } from '../../parts/notice';
import { useJob } from './job-context';

export function JobNotice() {
  const { notice, dismiss } = useJob();
  const stale = useRef(dismiss);
  // What was refused before the dialog opened is not about what is done in it.
  useEffect(() => stale.current(), []);
  return <Notice text={notice} onClose={dismiss} />;
}
