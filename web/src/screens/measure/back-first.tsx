/** What has to be in for live work and is out: it goes back while the machine is still dead. */
import { backBeforeLive } from '@jeitinho/core/job';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { useJob } from '../job/job-context';

export function BackFirst() {
  const { sheet, state, record } = useJob();
  const owed = state.energy.kind === 'live' ? [] : backBeforeLive(sheet, state);
  const back = (access: string) => void record('access', { access, back: true });
  const first = owed[0];
  useKeys({ i: () => first && back(first.id) }, { whileTyping: false });
  if (!first) return null;
  return (
    <section
      aria-label="Put back first"
      className="mt-2 border-l-4 border-marigold bg-card px-3 py-2"
    >
      <p className="m-0 font-semibold">
        Put back first, while it is dead: what comes later needs it in.
      </p>
      <ul className="m-0 mt-1 flex list-none flex-wrap gap-2 p-0">
        {owed.map(({ id, name }) => (
          <li key={id}>
            <Button hint={id === first.id ? 'i' : undefined} onClick={() => back(id)}>
              Back in: {name ?? id}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
