/** The big figure: typed into, or the connected meter's own. */
import { useRef, type ReactNode } from 'react';
import { Said } from '../../parts/said';
import { useTypeAnywhere } from '../../parts/type-anywhere';
import type { VoltsEntry } from './volts-entry';

export function VoltsField({ entry, label }: { entry: VoltsEntry; label: string }) {
  const field = useRef<HTMLInputElement>(null);
  useTypeAnywhere(field);
  if (entry.connected)
    return (
      <div className="mt-1">
        <p className="m-0 text-[14px] text-soft">{label}, off the connected meter</p>
        <output
          aria-label={label}
          className="reading-field figure block min-h-[72px] border-b-4 border-ink text-[56px] leading-[72px] max-lg:min-h-[56px] max-lg:text-[44px] max-lg:leading-[56px]"
        >
          {entry.shown ?? '– – –'}
        </output>
        <Said className="m-0 mt-1 font-semibold text-brick">{entry.why && <> {entry.why}</>}</Said>
      </div>
    );
  return (
    <>
      <label className="mt-1 block text-[14px] text-soft max-lg:mt-0">
        {label}
        <input
          ref={field}
          autoFocus
          data-keys="on"
          inputMode="none"
          autoComplete="off"
          value={entry.text}
          maxLength={24}
          onChange={(event) => entry.setText(event.target.value)}
          className="reading-field figure block h-[76px] w-full border-0 border-b-4 border-ink bg-transparent text-[60px] text-ink focus:border-jade max-lg:h-[58px] max-lg:text-[46px]"
        />
      </label>
      <p role="status" className="m-0 mt-1 min-h-6 max-lg:min-h-5">
        <Echo entry={entry} />
      </p>
    </>
  );
}

function Echo({ entry: { parsed } }: { entry: VoltsEntry }): ReactNode {
  if (parsed.kind === 'error') return <span className="text-brick">{parsed.message}</span>;
  if (parsed.kind === 'not-taken')
    return <span className="text-brick">A figure is needed here.</span>;
  if (parsed.kind === 'empty') return null;
  return <span className="figure">{parsed.echo}</span>;
}
