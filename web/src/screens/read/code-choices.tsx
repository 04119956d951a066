/** Every code of the sheet as a button, and none at all. */
import { decodeCode } from '@jeitinho/core/sheet';
import { useJob } from '../job/job-context';

export function CodeChoices({
  onPick,
  keep,
}: {
  /** One that several units have: it must be said which one. */
  onPick: (code: string) => void;
  keep: (shown: string | null) => void;
}) {
  const { sheet } = useJob();
  const { list } = sheet.codes;
  const once = list.filter(({ code }, i) => list.findIndex((each) => each.code === code) === i);
  return (
    <div className="mt-4 flex flex-wrap gap-2" role="group" aria-label="Codes of this sheet">
      {once.map((code) => (
        <button
          key={code.code}
          type="button"
          onClick={() =>
            decodeCode(sheet, code.code).copies ? onPick(code.code) : keep(code.code)
          }
          className="min-h-[52px] cursor-pointer border border-soft bg-card px-4 text-left"
        >
          <span className="figure mr-2 text-[18px] font-semibold">{code.code}</span> {code.title}
        </button>
      ))}
      <button
        type="button"
        onClick={() => keep(null)}
        className="min-h-[52px] cursor-pointer border border-dashed border-soft px-4"
      >
        No code shown
      </button>
    </div>
  );
}
