/** Dial positions whose sign means direction: a minus there is a fact about the leads, not a fault. */
export type MeterFunctionLike = string;
export const DC_FUNCTIONS: ReadonlySet<MeterFunctionLike> = new Set(['V=', 'A=', 'clamp=']);
