/** What a rule over several readings allows, in words for tables: `within 3 %`, `at least 600 kPa apart`. */
import { formatDifference } from '../../units/format';
import type { Unit } from '../../units/units';
import { bandApartWords } from '../words';
import type { TogetherRule } from './index';

/** @param unit - Of the readings. @returns empty where the rule has no figure of its own. */
export function ruleLimitWords(rule: TogetherRule, unit: Unit): string {
  const figure = (name: string): number | undefined => {
    const value: unknown = Reflect.get(rule, name);
    return typeof value === 'number' ? value : undefined;
  };
  const apart = (value: number | undefined) =>
    value === undefined ? undefined : formatDifference(value, unit);
  const [low, high] = [figure('low'), figure('high')];
  const words = {
    percent: figure('percent') === undefined ? undefined : `within ${figure('percent')} %`,
    spread: apart(figure('spread')) && `at most ${apart(figure('spread'))} apart`,
    plusMinus: apart(figure('plusMinus')) && `± ${apart(figure('plusMinus'))}`,
    least: apart(figure('least')) && `at least ${apart(figure('least'))} apart`,
    // A ratio has no unit.
    band: rule.kind === 'ratio' ? `${low} to ${high}` : bandApartWords(low, high, unit),
  };
  return Object.values(words).filter(Boolean).join(', ');
}
