/** Switches, jumpers and settings of the old part: written down before it goes, ticked once the new one has them. */
import { useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { TickLine } from '../../parts/tick-line';
import { useJob } from '../job/job-context';

export function OldSettings({ part }: { readonly part: string }) {
  const { job, state, record } = useJob();
  const [name, setName] = useDraft(`setting.${job.id}.${part}.name`);
  const [value, setValue] = useDraft(`setting.${job.id}.${part}.value`);
  const rows = [...state.settings.values()].filter(({ body }) => body.part === part);
  const add = async () => {
    if (!(await record('setting', { part, name: name.trim(), value: value.trim() }))) return;
    setName('');
    setValue('');
  };
  const ready = name.trim() !== '' && value.trim() !== '';
  return (
    <section aria-label="Settings to copy" className="basis-full">
      <h2 className="m-0 text-[16px] font-bold">
        Settings to copy{' '}
        <span className="text-[14px] font-normal text-soft">
          switches, jumpers, program: as they stand on the old one
        </span>
      </h2>
      {rows.map(({ id, body }) => (
        <TickLine
          key={id}
          checked={body.copied === true}
          onChange={(copied) =>
            void record('setting', {
              part,
              name: body.name,
              value: body.value,
              ...(copied && { copied: true }),
            })
          }
        >
          <span>
            {body.name}: <strong>{body.value}</strong>{' '}
            <span className="text-soft">{body.copied ? 'copied' : 'not copied yet'}</span>
          </span>
        </TickLine>
      ))}
      <form
        data-keys="off"
        className="mt-1 flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) void add();
        }}
      >
        <input
          aria-label="Name of the setting"
          placeholder="SW1"
          value={name}
          maxLength={120}
          onChange={(event) => setName(event.target.value)}
          className="min-h-11 w-36 border border-soft bg-card px-3 text-ink"
        />
        <input
          aria-label="As it stands on the old part"
          placeholder="1 and 3 on"
          value={value}
          maxLength={200}
          onChange={(event) => setValue(event.target.value)}
          className="min-h-11 min-w-40 flex-1 border border-soft bg-card px-3 text-ink"
        />
        <Button type="submit" disabled={!ready}>
          Write it down
        </Button>
      </form>
    </section>
  );
}
