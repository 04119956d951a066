/** The report in two versions: for the file with every figure, for the customer in plain words. */
import type { ReportVersion } from '../../papers/report-document';

export interface VersionSwitchProps {
  readonly version: ReportVersion;
  readonly onVersion: (version: ReportVersion) => void;
}

const VERSIONS = [
  ['file', 'For the file'],
  ['customer', 'For the customer'],
] as const;

export const VersionSwitch = ({ version, onVersion }: VersionSwitchProps) => (
  <div role="group" aria-label="Version of the report" className="no-print mt-5 flex gap-2">
    {VERSIONS.map(([each, words]) => (
      <button
        key={each}
        type="button"
        aria-pressed={version === each}
        onClick={() => onVersion(each)}
        className="min-h-11 cursor-pointer border border-soft bg-card px-4 aria-pressed:border-2 aria-pressed:border-jade aria-pressed:bg-jade-tint aria-pressed:font-semibold"
      >
        {words}
      </button>
    ))}
  </div>
);
