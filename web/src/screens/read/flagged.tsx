/** A status word taken apart: each bit that is set, with the code that it stands for; kept all at once. */
import { codeWords, type FlaggedCode } from '@jeitinho/core/sheet';

export function Flagged({
  shown,
  flags,
}: {
  readonly shown: string;
  readonly flags: readonly FlaggedCode[];
}) {
  return (
    <span>
      <span className="figure">{shown}</span> has{' '}
      {flags.length === 1 ? 'one bit' : `${flags.length} bits`} set:
      {flags.map(({ bit, code, listed }) => (
        <span key={bit} className="block">
          bit <span className="figure">{bit}</span>:{' '}
          <span className="figure">{listed ? codeWords(listed) : code}</span> ·{' '}
          <strong>{listed?.title ?? 'not on this sheet'}</strong>
        </span>
      ))}
    </span>
  );
}
