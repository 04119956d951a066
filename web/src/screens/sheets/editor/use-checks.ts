/** Live checks of the sheet being edited; the validator is fetched once, and waits for a pause in typing. */
import type { WrittenSheet } from '@jeitinho/core/sheet';
import type { ReadSheet, SheetProblem } from '@jeitinho/core/validate';
import { useEffect, useState } from 'react';

const PAUSE_MS = 250;

export interface Checks {
  readonly problems: readonly SheetProblem[];
  readonly warnings: readonly SheetProblem[];
  /** The sheet these belong to; another one is still being checked. */
  readonly of: WrittenSheet | undefined;
}

export function useChecks(sheet: WrittenSheet): Checks {
  const [checks, setChecks] = useState<Checks>({ problems: [], warnings: [], of: undefined });
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(async () => {
      const { readSheet } = await import('@jeitinho/core/validate');
      if (!wanted) return;
      const read: ReadSheet = readSheet(sheet);
      setChecks({ problems: read.ok ? [] : read.problems, warnings: read.warnings, of: sheet });
    }, PAUSE_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [sheet]);
  return checks;
}
