/** Symptoms of the sheet beside its codes: what its owner tells, or one sees. They suggest, and prove nothing. */
import { useJob } from '../job/job-context';

export function Symptoms() {
  const { sheet, state, record } = useJob();
  if (!sheet.symptoms?.length) return null;
  return (
    <div className="mt-4 flex flex-wrap gap-2" role="group" aria-label="Symptoms of this sheet">
      {sheet.symptoms.map(({ id, text }) => {
        const said = state.symptoms.has(id);
        return (
          <button
            key={id}
            type="button"
            aria-pressed={said}
            disabled={said}
            onClick={() => void record('symptom', { symptom: id })}
            className="min-h-[52px] cursor-pointer border border-soft bg-card px-4 text-left aria-pressed:border-2 aria-pressed:border-jade aria-pressed:bg-jade-tint aria-pressed:font-bold"
          >
            {said && '✓ '}
            {text}
          </button>
        );
      })}
    </div>
  );
}
