/**
 * How the machine is left, said before the names: its energy, and everything that is not back in its
 * place. What is open is put back and ticked here, or the reason written; both go into the report.
 */
import type { EnergyKind } from '@jeitinho/core';
import { leftOpen, type BodyOf } from '@jeitinho/core/job';
import type { Access } from '@jeitinho/core/sheet';
import { fieldsIn, useDraft } from '../../data/draft';
import { useJob } from '../job/job-context';

type Left = NonNullable<BodyOf<'signed'>['left']>;

export interface LeftState {
  /** What goes into the signature; undefined while something is unsaid. */
  readonly said: Left | undefined;
  /** What is unsaid, in words. */
  readonly unsaid: string | undefined;
  readonly open: readonly Access[];
  readonly agreed: boolean;
  readonly agree: (on: boolean) => void;
  readonly reasonOf: (access: string) => string;
  readonly setReason: (access: string, reason: string) => void;
  readonly drop: () => void;
}

interface Kept {
  readonly agreed?: EnergyKind | undefined;
  readonly reasons?: Readonly<Record<string, string>>;
}

export function useLeft(): LeftState {
  const { job, sheet, state } = useJob();
  const [text, setText] = useDraft(`left.${job.id}`);
  const kept = fieldsIn<Kept>(text);
  const keep = (next: Kept) => setText(JSON.stringify({ ...kept, ...next }));
  const open = leftOpen(sheet, state);
  const energy = state.energy.kind;
  // Said of the energy as it was: once that changes, it is to be said again.
  const agreed = kept.agreed === energy;
  const reasonOf = (access: string) => kept.reasons?.[access] ?? '';
  const unreasoned = open.filter(({ id }) => reasonOf(id).trim() === '');
  const unsaid =
    unreasoned.length > 0
      ? `${unreasoned.length} still open or out: put back, or say why`
      : agreed
        ? undefined
        : 'say how the machine is left';
  return {
    open,
    agreed,
    agree: (on) => keep({ agreed: on ? energy : undefined }),
    reasonOf,
    setReason: (access, reason) => keep({ reasons: { ...kept.reasons, [access]: reason } }),
    drop: () => setText(''),
    unsaid,
    said:
      unsaid === undefined
        ? {
            energy,
            note: '',
            open: open.map(({ id }) => ({ access: id, reason: reasonOf(id).trim() })),
          }
        : undefined,
  };
}

const ENERGY: Readonly<Record<EnergyKind, { words: string; agree: string; look: string }>> = {
  live: {
    words: 'LIVE: the supply is on',
    agree: 'It is left live, and may run',
    look: 'border-brick bg-brick-tint',
  },
  'not-proven': {
    words: 'NOT PROVEN: nobody knows it dead',
    agree: 'It is left switched off, and marked as not proven',
    look: 'border-marigold bg-marigold-tint',
  },
  dead: {
    words: 'DEAD: isolated, and proven',
    agree: 'It is left isolated and locked',
    look: 'border-ink bg-card',
  },
};

export function LeftPanel({ left }: { left: LeftState }) {
  const { state } = useJob();
  const energy = ENERGY[state.energy.kind];
  const open = left.open.length;
  return (
    <section
      aria-labelledby="left"
      className="no-print mt-5 border border-ink bg-card p-5 max-lg:p-4"
    >
      <h2 id="left" className="m-0 text-[20px] font-bold">
        How the machine is left
      </h2>
      <div className={`mt-2 border-l-4 px-4 py-2 ${energy.look}`}>
        <p className="m-0 text-[18px] font-semibold">{energy.words}</p>
        {state.energy.kind === 'live' && open > 0 && (
          <p role="alert" className="m-0 font-semibold text-brick">
            Live, with {open === 1 ? 'one thing' : `${open} things`} open or out.
          </p>
        )}
        <label className="flex min-h-11 cursor-pointer items-center gap-3">
          <input
            type="checkbox"
            checked={left.agreed}
            onChange={(event) => left.agree(event.target.checked)}
            className="h-6 w-6 accent-[var(--jade)]"
          />
          {energy.agree}
        </label>
      </div>
      <BackInPlace left={left} />
    </section>
  );
}

function BackInPlace({ left }: { left: LeftState }) {
  const { sheet, state } = useJob();
  const back = (sheet.access ?? []).filter(
    ({ id }) => state.accessBack.has(id) && !left.open.some((each) => each.id === id),
  );
  if (left.open.length === 0 && back.length === 0)
    return <p className="m-0 mt-3 text-soft">Nothing was opened or pulled on this visit.</p>;
  return (
    <ul aria-label="Covers, plugs and leads" className="m-0 mt-3 list-none p-0">
      {left.open.map((access) => (
        <OpenRow key={access.id} access={access} left={left} />
      ))}
      {back.map(({ id, name }) => (
        <li key={id} className="flex min-h-11 items-center gap-3 border-t border-hair text-jade">
          <span aria-hidden="true">✓</span> Put back: {name ?? id}
        </li>
      ))}
    </ul>
  );
}

function OpenRow({ access, left }: { access: Access; left: LeftState }) {
  const { state, record } = useJob();
  const name = access.name ?? access.id;
  const unknown = state.accessUnknown.has(access.id);
  const offLimits = access.energy === 'dead' && state.energy.kind !== 'dead';
  return (
    <li className="grid items-center gap-x-4 gap-y-1 border-t border-hair py-2 sm:grid-cols-[minmax(0,1fr)_auto_minmax(0,1.2fr)]">
      <span className="text-[17px] font-semibold">
        {name}
        {unknown && (
          <span className="block text-[14px] font-normal text-marigold">
            two devices said different things: look
          </span>
        )}
        {offLimits && (
          <span className="block text-[14px] font-normal text-soft">
            put back on a dead machine only
          </span>
        )}
      </span>
      <button
        type="button"
        onClick={() => void record('access', { access: access.id, back: true })}
        className="min-h-12 cursor-pointer border border-soft bg-paper px-4"
      >
        ☐ Put back
        <span className="sr-only">: {name}</span>
      </button>
      <label className="block text-[14px] text-soft">
        or why it stays so
        <input
          value={left.reasonOf(access.id)}
          maxLength={400}
          aria-label={`Why it stays so: ${name}`}
          onChange={(event) => left.setReason(access.id, event.target.value)}
          className="mt-0.5 block min-h-11 w-full border border-soft bg-paper px-3 text-[16px] text-ink"
        />
      </label>
    </li>
  );
}
