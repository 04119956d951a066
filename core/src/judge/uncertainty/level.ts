/**
 * The levels at which a doubt is decided; every verdict goes by these and by no others.
 *
 * P(ok) at or above {@link DECISION_LEVEL} is `in`, at or below one minus it is not: guarded acceptance and
 * guarded rejection at 95 % (JCGM 106:2012, section 8).
 */
export const DECISION_LEVEL = 0.95;

/** Φ⁻¹(0.95): the one-sided 95 % point of the normal distribution. */
export const ONE_SIDED_95 = 1.6448536269514722;

/** Coverage factor of the expanded uncertainty within which a limit is near (JCGM 100:2008, 6.3.3). */
export const COVERAGE = 2;

/** Φ(2): the chance to be in at a distance of {@link COVERAGE} standard uncertainties from a limit. */
export const EDGE_LEVEL = 0.9772498680518208;
