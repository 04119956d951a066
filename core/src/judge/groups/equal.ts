/**
 * Equal, whatever the figure: three windings of a motor nobody has data of, two sensors in one bath. Nobody
 * stated a tolerance, so that only the meters' own errors are allowed between them.
 *
 * P(ok) is the share of draws in which truly equal places would read at least as far apart: of equal digits
 * it is 1. It falls below one in twenty where error alone would hardly ever show it.
 *
 * Worked example: 2.31, 2.30 and 2.32 Ω with ±(0.5 % + 0.03 Ω) are equal; 2.31, 2.30 and 2.95 Ω are not.
 */
import { Type } from '@sinclair/typebox';
import { formatDifference } from '../../units/format';
import { certain, judgeClasses } from '../figure';
import { DECISION_LEVEL } from '../uncertainty/level';
import { spreadOf } from './balance';
import { drawFigure, figuresOf, openOnes } from './readings';
import { defineRule, Points } from './rule';

export const equal = defineRule({
  kind: 'equal',
  fields: { points: Type.Optional(Points) },
  title: 'Equal, whatever they read',
  outcomes: ['ok', 'unequal'],
  points: ({ points }, all) => points ?? all,
  problem: (_, points) => (points < 2 ? 'This needs two readings at least.' : undefined),
  judge({ id }, readings) {
    const open = openOnes(readings);
    if (open.length === readings.length) return certain('ok', 'All of them read OL: equal.');
    const figures = figuresOf(readings);
    if (!figures)
      return certain('unequal', `${open.join(' and ')} reads OL and the others do not.`);
    const figure = drawFigure({ id }, spreadOf, figures);
    const unit = readings[0]!.unit;
    const byError = figure.value === 0 ? 1 : figure.byErrorAlone();
    const apart = `They lie ${formatDifference(figure.value, unit, 3)} apart`;
    if (byError < 1 - DECISION_LEVEL)
      return {
        ...judgeClasses(
          { ok: byError, unequal: 1 - byError },
          `${apart}, more than the meter’s own error explains.`,
        ),
        corrected: figure.value,
      };
    // Nothing speaks against it; how far it speaks for it is not said by a share of draws.
    return {
      ...certain('ok', `${apart}: no more than the meter’s own error.`),
      corrected: figure.value,
    };
  },
});
