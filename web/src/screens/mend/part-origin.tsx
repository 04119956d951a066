/** Where a new part came from: years later, what failed again may share a batch or a supplier. */
import { FIELD } from '../../parts/field';
import { fieldsIn, useDraft } from '../../data/draft';

export interface Origin {
  readonly batch?: string;
  readonly supplier?: string;
}

const FIELDS = [
  ['batch', 'Batch or serial printed on it'],
  ['supplier', 'Whom it came from'],
] as const;

/** By part, as it was typed; kept on the device until the part is in. */
export function useOrigins(jobId: string) {
  const [text, setText] = useDraft(`origins.${jobId}`);
  const all = fieldsIn<Record<string, Record<keyof Origin, string>>>(text);
  return {
    typed: (part: string) => all[part] ?? { batch: '', supplier: '' },
    type: (part: string, field: keyof Origin, value: string) =>
      setText(
        JSON.stringify({
          ...all,
          [part]: { batch: '', supplier: '', ...all[part], [field]: value },
        }),
      ),
    /** It is on the record: the next one of it comes from somewhere else. */
    drop: (part: string) =>
      setText(
        JSON.stringify(Object.fromEntries(Object.entries(all).filter(([id]) => id !== part))),
      ),
    /** What of it goes on the record. */
    of: (part: string | undefined): Origin =>
      Object.fromEntries(
        FIELDS.flatMap(([field]) => {
          const value = part === undefined ? '' : (all[part]?.[field] ?? '').trim();
          return value === '' ? [] : [[field, value]];
        }),
      ),
  };
}

export function PartOrigin({
  part,
  origins,
}: {
  readonly part: string;
  readonly origins: ReturnType<typeof useOrigins>;
}) {
  const typed = origins.typed(part);
  return (
    <div className="grid basis-full gap-x-4 gap-y-2 sm:grid-cols-2">
      {FIELDS.map(([field, words]) => (
        <label key={field} className="block text-[14px] text-soft">
          {words}
          <input
            value={typed[field]}
            maxLength={120}
            autoComplete="off"
            onChange={(event) => origins.type(part, field, event.target.value)}
            className={FIELD}
          />
        </label>
      ))}
    </div>
  );
}
