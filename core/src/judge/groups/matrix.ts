/**
 * The matrix of a bridge: every rail × phase pair one way and the other. Forward pairs must each show
 * one drop and agree with each other; blocked pairs must read OL. Serves rectifiers (R, S, T) and
 * inverter bridges (U, V, W) alike.
 *
 * Worked example: six drops of 0.44 to 0.46 V within 0.04 V of each other and six OL: sound. One drop
 * of 0.00 V: shorted there, whatever the rest say.
 */
import { formatQuantity } from '../../units/format';
import { judgeClasses } from '../figure';
import { likeliest, type Judgement } from '../judge';
import { judgeBalance } from './balance';
import { blocks, forwardConduction } from './conduction';
import { figuresOf, type GroupReading } from './readings';

export interface MatrixRule {
  readonly kind: 'matrix';
  readonly forward: readonly string[];
  readonly blocked: readonly string[];
  /** Largest spread among the forward drops, volts. */
  readonly spread: number;
}

export const MATRIX_OUTCOMES = ['ok', 'short', 'open', 'unequal'] as const;

/** @param readings - All that the rule names, in any order. */
export function judgeMatrix(rule: MatrixRule, readings: readonly GroupReading[]): Judgement {
  const byId = new Map(readings.map((each) => [each.id, each]));
  const forward = rule.forward.map((id) => byId.get(id)!);
  const blocked = rule.blocked.map((id) => byId.get(id)!);
  const conductions = forward.map(({ judgement }) => forwardConduction(judgement));

  // In the order of their weight: one short decides, then one open leg, then disagreement.
  const noShort =
    conductions.reduce((p, c) => p * (1 - c.easy), 1) *
    blocked.reduce((p, { judgement }) => p * blocks(judgement), 1);
  const noOpen = conductions.reduce((p, c) => p * (c.easy >= 1 ? 1 : 1 - c.hard / (1 - c.easy)), 1);
  const agree =
    figuresOf(forward) && forward.length > 1
      ? (judgeBalance({ kind: 'balance', spread: rule.spread }, forward).p.ok ?? 0)
      : 1;
  const p = {
    ok: noShort * noOpen * agree,
    short: 1 - noShort,
    open: noShort * (1 - noOpen),
    unequal: noShort * noOpen * (1 - agree),
  };
  return judgeClasses(p, sentence(likeliest(p), rule, forward, blocked));
}

function sentence(
  outcome: string,
  rule: MatrixRule,
  forward: readonly GroupReading[],
  blocked: readonly GroupReading[],
): string {
  const names = (list: readonly GroupReading[]) => list.map(({ id }) => id).join(', ');
  switch (outcome) {
    case 'short': {
      const bad = [
        ...forward.filter(({ judgement }) => forwardConduction(judgement).easy > 0.5),
        ...blocked.filter(({ judgement }) => blocks(judgement) < 0.5),
      ];
      return `Shorted at ${names(bad) || 'one of them'}.`;
    }
    case 'open': {
      const bad = forward.filter(({ judgement }) => forwardConduction(judgement).hard > 0.5);
      return `Does not conduct at ${names(bad) || 'one of them'}.`;
    }
    case 'unequal':
      return `The drops lie more than ${formatQuantity(rule.spread, 'V')} apart.`;
    default:
      return `${forward.length} drops agree, ${blocked.length} block.`;
  }
}
