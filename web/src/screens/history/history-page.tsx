/** The stored history of the machine: copied in before a reset wipes it, then one time line over its circuits. */
import { useRef } from 'react';
import { Link } from 'react-router';
import { LINK } from '../../parts/link';
import { useJob } from '../job/job-context';
import { stagePath } from '../job/paths';
import { keepsWords } from './keeps-words';
import { PasteHistory } from './paste-history';
import { TimeLine } from './time-line';

export function HistoryPage() {
  const { job, sheet, state } = useJob();
  const histories = [...(state.histories ?? [])].reverse();
  const { say } = sheet.codes.history ?? {};
  const top = useRef<HTMLDivElement>(null);
  return (
    <div ref={top} className="relative min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
      <p className="m-0">
        <Link to={stagePath(job.id, 'read')} className={LINK}>
          ‹ Back to Read
        </Link>
      </p>
      <h1 className="m-0 text-[25px] font-bold">What the machine remembers</h1>
      {say && <p className="m-0 mt-1 text-soft">{say}</p>}
      {keepsWords(sheet) && histories.length === 0 && (
        <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
          {keepsWords(sheet)}
        </p>
      )}
      {histories.map((history) => (
        <TimeLine key={history.entry} history={history} />
      ))}
      <PasteHistory
        again={histories.length > 0}
        // What was just kept stands above.
        onKept={() => top.current?.scrollTo({ top: 0 })}
      />
    </div>
  );
}
