/** The codes as they were kept: what each means, and where the maker looks first. */
import { useJob } from '../job/job-context';

export function KeptCodes() {
  const { sheet, state } = useJob();
  return (
    <div className="mt-6 flex flex-col gap-4" aria-live="polite">
      {state.codes.map((code) => (
        <section
          key={code.entry}
          aria-label={`Code ${code.shown}`}
          className="border-l-4 border-ink bg-card px-4 py-3"
        >
          <p className="m-0 text-[18px]">
            <span className="figure mr-2 text-[22px] font-semibold">{code.shown}</span>
            <strong>{code.listed?.title ?? 'Not on this sheet'}</strong>
            {code.unit !== undefined && ` · ${code.listed?.unitName ?? `unit ${code.unit}`}`}
          </p>
          {code.listed?.means && <p className="m-0 mt-1">{code.listed.means}</p>}
          {code.listed?.causes?.map((cause) => (
            <p key={cause} className="m-0 mt-1 text-[15px] text-soft">
              Usual: {cause}
            </p>
          ))}
          {code.listed?.firstLook?.map((look) => (
            <p key={look} className="m-0 mt-1 text-[15px] text-soft">
              First look: {look}
            </p>
          ))}
        </section>
      ))}
      {state.noCode && state.codes.length === 0 && (
        <p className="m-0 border-l-4 border-ink bg-card px-4 py-3">
          No code shown. {sheet.codes.none?.means ?? 'The readings must tell.'}
        </p>
      )}
    </div>
  );
}
