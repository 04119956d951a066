/**
 * The matrix of a bridge: every rail × phase pair one way and the other. Forward pairs must each show
 * one drop and agree with each other; blocked pairs must read OL. Serves rectifiers (R, S, T) and
 * inverter bridges (U, V, W) alike.
 *
 * Worked example: six drops of 0.44 to 0.46 V within 0.04 V of each other and six OL: sound. One drop
 * of 0.00 V: shorted there, whatever the rest say.
 */
import { Type, type Static, type TObject } from '@sinclair/typebox';
import { formatQuantity } from '../../units/format';
import { judgeClasses } from '../figure';
import { likeliest, type Judgement } from '../judge';
import { allOf, besides } from '../uncertainty/together';
import { judgeBalance } from './balance';
import { blocks, forwardConduction } from './conduction';
import { byPoint, figuresOf, type GroupReading } from './readings';
import { defineRule, Point, positive } from './rule';

const fields = {
  forward: Type.Array(Point, { minItems: 1, maxItems: 30 }),
  blocked: Type.Array(Point, { minItems: 1, maxItems: 30 }),
  /** Largest spread among the forward drops, volts. */
  spread: positive,
};
type Matrix = Static<TObject<typeof fields>> & { readonly id: string };

export const matrix = defineRule({
  kind: 'matrix',
  fields,
  title: 'The whole bridge',
  outcomes: ['ok', 'short', 'open', 'unequal'],
  moment: true,
  points: ({ forward, blocked }) => [...forward, ...blocked],
  judge: judgeMatrix,
  early(rule, readings) {
    const taken = new Set(readings.map(({ id }) => id));
    const standing = (ids: readonly string[]) => ids.filter((id) => taken.has(id));
    const part = { ...rule, forward: standing(rule.forward), blocked: standing(rule.blocked) };
    const at = byPoint(readings);
    const shorted = 1 - product(unshortedEach(part.forward.map(at), part.blocked.map(at)));
    if (shorted < CANNOT_LEAD) return undefined;
    const judgement = judgeMatrix(part, readings);
    // Open and unequal may be a slipped probe that its repetition mends with the rest; a short stays.
    return judgement.outcome === 'short' ? judgement : undefined;
  },
});

/** One of four outcomes has a quarter at least: a short of so little is none of them, and nothing is drawn. */
const CANNOT_LEAD = 0.01;

/** Of each pair, the chance that it is not shorted. */
const unshortedEach = (
  forward: readonly GroupReading[],
  blocked: readonly GroupReading[],
): number[] => [
  ...forward.map(({ judgement }) => 1 - forwardConduction(judgement).easy),
  ...blocked.map(({ judgement }) => blocks(judgement)),
];

/** @param readings - All that the rule names, in any order. */
function judgeMatrix(rule: Matrix, readings: readonly GroupReading[]): Judgement {
  const forward = rule.forward.map(byPoint(readings));
  const blocked = rule.blocked.map(byPoint(readings));
  const conductions = forward.map(({ judgement }) => forwardConduction(judgement));

  // In the order of their weight: one short decides, then one open leg, then disagreement.
  const noShort = unshortedEach(forward, blocked);
  const noOpen = conductions.map((c) => (c.easy >= 1 ? 1 : 1 - c.hard / (1 - c.easy)));
  const agree =
    figuresOf(forward) && forward.length > 1
      ? (judgeBalance({ id: rule.id, spread: rule.spread }, forward).p.ok ?? 0)
      : 1;
  const [unshorted, closed] = [product(noShort), product(noOpen)];
  const p = besides(allOf([...noShort, ...noOpen, agree]), {
    short: 1 - unshorted,
    open: unshorted * (1 - closed),
    unequal: unshorted * closed * (1 - agree),
  });
  return judgeClasses(p, sentence(likeliest(p), rule, forward, blocked));
}

const product = (chances: readonly number[]) => chances.reduce((all, each) => all * each, 1);

function sentence(
  outcome: string,
  rule: Matrix,
  forward: readonly GroupReading[],
  blocked: readonly GroupReading[],
): string {
  const names = (list: readonly GroupReading[]) =>
    list.map(({ id }) => id).join(', ') || 'one of them';
  switch (outcome) {
    case 'short':
      return `Shorted at ${names([
        ...forward.filter(({ judgement }) => forwardConduction(judgement).easy > 0.5),
        ...blocked.filter(({ judgement }) => blocks(judgement) < 0.5),
      ])}.`;
    case 'open':
      return `Does not conduct at ${names(
        forward.filter(({ judgement }) => forwardConduction(judgement).hard > 0.5),
      )}.`;
    case 'unequal':
      return `The drops lie more than ${formatQuantity(rule.spread, 'V')} apart.`;
    default:
      return `${forward.length} drops agree, ${blocked.length} block.`;
  }
}
