/** With what an insulation figure is taken: volts, seconds, warmth. Kept from one figure to the next. */
import type { BodyOf } from '@jeitinho/core/job';
import { useDraft } from '../../data/draft';

export type Insulation = NonNullable<BodyOf<'reading'>['insulation']>;

const VOLTS = [50, 100, 250, 500, 1000] as const;

export interface InsulationInHand {
  readonly said: Insulation;
  readonly say: (said: Insulation) => void;
}

const USUAL: Insulation = { volts: 500, seconds: 60 };

export function useInsulation(job: string): InsulationInHand {
  const [kept, keep] = useDraft(`insulation.${job}`);
  return { said: parse(kept) ?? USUAL, say: (said) => keep(JSON.stringify(said)) };
}

function parse(kept: string): Insulation | undefined {
  try {
    return kept === '' ? undefined : (JSON.parse(kept) as Insulation);
  } catch {
    return undefined;
  }
}

export function InsulationFields({ said, say }: InsulationInHand) {
  const number = (text: string) => {
    const value = Number(text.replace(',', '.'));
    return text.trim() !== '' && Number.isFinite(value) ? value : undefined;
  };
  const without = ({ volts, seconds, celsius }: Partial<Insulation>): Insulation => ({
    volts: volts ?? USUAL.volts,
    ...(seconds !== undefined && seconds > 0 && { seconds }),
    ...(celsius !== undefined && { celsius }),
  });
  const FIELD = 'ml-2 min-h-11 border border-soft bg-card px-2 text-[17px] text-ink';
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 text-[15px]">
      <label>
        driven with
        <select
          value={said.volts}
          onChange={(event) => say(without({ ...said, volts: Number(event.target.value) }))}
          className={FIELD}
        >
          {VOLTS.map((volts) => (
            <option key={volts} value={volts}>
              {volts} V
            </option>
          ))}
        </select>
      </label>
      <label>
        read after
        <input
          inputMode="numeric"
          autoComplete="off"
          value={said.seconds ?? ''}
          onChange={(event) =>
            say(without({ ...said, seconds: number(event.target.value) } as Partial<Insulation>))
          }
          className={`${FIELD} w-16`}
        />{' '}
        s
      </label>
      <label>
        at
        <input
          inputMode="decimal"
          autoComplete="off"
          value={said.celsius ?? ''}
          onChange={(event) =>
            say(without({ ...said, celsius: number(event.target.value) } as Partial<Insulation>))
          }
          className={`${FIELD} w-16`}
        />{' '}
        °C
      </label>
    </div>
  );
}
