/** Names of the formulas, for finding them; apart, so that finding anything does not load them at once. */
import { FORMULAS } from '@jeitinho/core';

export const formulaTitles = FORMULAS.map(({ id, title }) => ({ id, title }));
