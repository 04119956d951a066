/** The stages of a visit, in the order of the work. */
export const STAGES = ['arrive', 'read', 'safe', 'measure', 'decide', 'sign'] as const;
export type Stage = (typeof STAGES)[number];
