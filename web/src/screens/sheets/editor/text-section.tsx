/** The whole sheet as text: for what is quicker typed, and for pasting. Applied when it reads. */
import { writeSheet, type WrittenSheet } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { Button } from '../../../parts/button';
import { useDraft } from '../../../data/draft';

export function TextSection({
  sheet,
  onSheet,
}: {
  sheet: WrittenSheet;
  onSheet: (sheet: WrittenSheet) => void;
}) {
  const [typed, setTyped] = useDraft(`sheet-text.${sheet.id}`);
  const [problem, setProblem] = useState<string>();
  const text = typed === '' ? writeSheet(sheet) : typed;
  const apply = () => {
    try {
      const value: unknown = JSON.parse(text);
      if (value === null || typeof value !== 'object' || Array.isArray(value))
        throw new Error('a sheet is one group of fields in { }');
      if (
        !Array.isArray((value as WrittenSheet).boards) ||
        !Array.isArray((value as WrittenSheet).tests)
      )
        throw new Error('boards and tests are missing');
      onSheet(value as WrittenSheet);
      setTyped('');
      setProblem(undefined);
    } catch (error) {
      setProblem(`Not applied, and nothing typed is lost: ${(error as Error).message}.`);
    }
  };
  return (
    <>
      <label className="block text-[14px] text-soft">
        The whole sheet
        <textarea
          value={text}
          spellCheck={false}
          rows={28}
          onChange={(event) => setTyped(event.target.value)}
          className="figure mt-1 block w-full border border-soft bg-card p-3 text-[13px] text-ink"
        />
      </label>
      <p role="alert" className="m-0 min-h-6 text-brick">
        {problem}
      </p>
      <div className="flex gap-2">
        <Button kind="go" disabled={typed === ''} onClick={apply}>
          Apply
        </Button>
        <Button kind="quiet" disabled={typed === ''} onClick={() => setTyped('')}>
          Back to the sheet as it is
        </Button>
      </div>
    </>
  );
}
