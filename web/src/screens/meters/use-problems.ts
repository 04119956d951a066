/** What is wrong with a meter being written, by place; the validator is fetched once. */
import { meterProfileSchema, type MeterProfile } from '@jeitinho/core';
import { useEffect, useState } from 'react';

export function useProblems(meter: MeterProfile): ReadonlyMap<string, string> {
  const [problems, setProblems] = useState<ReadonlyMap<string, string>>(new Map());
  useEffect(() => {
    let wanted = true;
    void import('@jeitinho/core/validate').then(({ check }) => {
      if (!wanted) return;
      const checked = check(meterProfileSchema, meter);
      setProblems(
        new Map(checked.ok ? [] : checked.problems.map(({ path, message }) => [path, message])),
      );
    });
    return () => {
      wanted = false;
    };
  }, [meter]);
  return problems;
}
