/** The last refusal, inside a dialog: what stands over the card is dimmed behind it. */
import { Notice } from '../../parts/notice';
import { useJob } from './job-context';

export function JobNotice() {
  const { notice, dismiss } = useJob();
  return <Notice text={notice} onClose={dismiss} />;
}
