import type { Stage } from '@jeitinho/core';

export const STAGE_NAMES: Record<Stage, string> = {
  arrive: 'Arrive',
  read: 'Read',
  safe: 'Make safe',
  measure: 'Measure',
  decide: 'Decide',
  sign: 'Sign',
};
