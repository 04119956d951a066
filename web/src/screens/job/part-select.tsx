/** Which part of the sheet, or none of it. */
import { FIELD } from '../../parts/field';
import { useJob } from './job-context';

export interface PartSelectProps {
  /** Id of the part; empty for none. */
  readonly part: string;
  readonly onPart: (part: string) => void;
}

export function PartSelect({ part, onPart }: PartSelectProps) {
  const { sheet } = useJob();
  return (
    <select value={part} onChange={(event) => onPart(event.target.value)} className={FIELD}>
      <option value="">none of this sheet</option>
      {sheet.parts.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  );
}
