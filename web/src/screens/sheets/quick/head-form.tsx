/** What must be known of the machine besides its pins: name, document, voltage, wait. */
import {
  slug,
  SUPPLY_SYSTEMS,
  type JobResource,
  type QuickHead,
  type SupplySystem,
} from '@jeitinho/core';
import { useDraft } from '../../../data/draft';

type Field =
  | 'maker'
  | 'model'
  | 'kind'
  | 'document'
  | 'system'
  | 'supply'
  | 'hertz'
  | 'volts'
  | 'waitMinutes';

const LABELS: Record<Field, string> = {
  maker: 'Maker',
  model: 'Model',
  kind: 'Kind of machine',
  document: 'Where the figures come from',
  system: 'Supply',
  supply: 'Supply volts',
  hertz: 'Supply hertz',
  volts: 'Highest voltage when live, V',
  waitMinutes: 'Wait after isolating, minutes',
};
const FIELDS = Object.keys(LABELS) as Field[];
const FIGURES: readonly Field[] = ['supply', 'hertz', 'volts', 'waitMinutes'];

export interface Head {
  readonly texts: Record<Field, string>;
  readonly set: (field: Field, text: string) => void;
  /** Undefined while something is missing. */
  readonly value: QuickHead | undefined;
  /** What is missing, in words. */
  readonly missing: string | undefined;
  readonly drop: () => void;
}

/** The machine that it is for, as far as it is known. */
export type HeadOf = Pick<JobResource['unit'], 'maker' | 'model' | 'kind'>;

/** @param draft - Under which name what is typed is kept. */
export function useHead(machine: HeadOf | undefined, draft: string): Head {
  const [kept, keep] = useDraft(`quick-head.${draft}`);
  const start: Record<Field, string> = {
    maker: machine?.maker ?? '',
    model: machine?.model ?? '',
    kind: machine?.kind ?? '',
    document: '',
    system: 'single-phase',
    supply: '220',
    hertz: '60',
    volts: '250',
    waitMinutes: '5',
  };
  const texts = { ...start, ...read(kept) };
  const figure = (field: Field) => {
    const value = Number(texts[field].replace(',', '.'));
    return texts[field].trim() !== '' && Number.isFinite(value) && value >= 0 ? value : undefined;
  };
  const empty = FIELDS.filter((field) =>
    FIGURES.includes(field)
      ? figure(field) === undefined || (field === 'supply' && figure(field) === 0)
      : texts[field].trim() === '',
  );
  const trimmed = (field: Field) => texts[field].trim();
  return {
    texts,
    set: (field, text) => keep(JSON.stringify({ ...texts, [field]: text })),
    drop: () => keep(''),
    missing:
      empty.length > 0 ? empty.map((field) => LABELS[field].toLowerCase()).join('; ') : undefined,
    value:
      empty.length > 0
        ? undefined
        : {
            id: slug(`${trimmed('maker')}-${trimmed('model')}`.toLowerCase()),
            maker: trimmed('maker'),
            model: trimmed('model'),
            kind: trimmed('kind'),
            document: trimmed('document'),
            supply: {
              system: SUPPLY_SYSTEMS.find((each) => each === texts.system) ?? SUPPLY_SYSTEMS[0],
              volts: figure('supply')!,
              hertz: figure('hertz')!,
            },
            volts: figure('volts')!,
            waitMinutes: figure('waitMinutes')!,
          },
  };
}

function read(text: string): Partial<Record<Field, string>> {
  try {
    return JSON.parse(text || '{}') as Partial<Record<Field, string>>;
  } catch {
    return {};
  }
}

export function HeadForm({ head }: { head: Head }) {
  return (
    <div className="mt-4 grid gap-3 sm:grid-cols-3">
      {FIELDS.map((field) => (
        <label key={field} className="block text-[14px] text-soft">
          {LABELS[field]}
          {field === 'system' ? (
            <select
              value={head.texts.system}
              onChange={(event) => head.set('system', event.target.value)}
              className="mt-0.5 block min-h-11 w-full border border-soft bg-card px-2 text-[16px] text-ink"
            >
              {SUPPLY_SYSTEMS.map((system: SupplySystem) => (
                <option key={system}>{system}</option>
              ))}
            </select>
          ) : (
            <input
              value={head.texts[field]}
              maxLength={200}
              autoComplete="off"
              inputMode={FIGURES.includes(field) ? 'decimal' : 'text'}
              onChange={(event) => head.set(field, event.target.value)}
              className="mt-0.5 block min-h-11 w-full border border-soft bg-card px-2 text-[16px] text-ink"
            />
          )}
        </label>
      ))}
    </div>
  );
}
