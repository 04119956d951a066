/** Everything that was opened or unplugged and is not back yet: ticked as it goes back. */
import { leftOpen } from '@jeitinho/core/job';
import { TickLine } from '../../parts/tick-line';
import { useJob } from '../job/job-context';

export function PutBack() {
  const { sheet, state, record } = useJob();
  const open = leftOpen(sheet, state);
  if (open.length === 0) return null;
  return (
    <section aria-labelledby="put-back" className="mt-5">
      <h2 id="put-back" className="m-0 text-[17px] font-bold">
        To be put back{' '}
        <span className="text-[15px] font-normal text-soft">as it was opened and unplugged</span>
      </h2>
      {open.map(({ id, name, energy }) => (
        <TickLine
          key={id}
          checked={false}
          onChange={() => void record('access', { access: id, back: true })}
        >
          <span>
            {name ?? id}
            {energy === 'dead' && state.energy.kind !== 'dead' && (
              <span className="text-marigold"> on a dead machine only</span>
            )}
          </span>
        </TickLine>
      ))}
    </section>
  );
}
