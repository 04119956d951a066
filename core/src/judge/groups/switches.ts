/**
 * One contact in two states: open where it must be open, closed where it must be closed. Either half alone
 * proves nothing: a welded contact is closed when it should be, a dead one open.
 *
 * Worked example: OL at rest and 0.2 Ω when called is a contact that switches; 0.2 Ω both times is welded.
 */
import { judgeClasses } from '../figure';
import { likeliest } from '../judge';
import { allOf, besides } from '../uncertainty/together';
import { twoOf } from './readings';
import { defineRule, Point } from './rule';

const WORDS: Readonly<Record<string, string>> = {
  ok: 'It opens and it closes.',
  'stuck-closed': 'It does not open: welded, or bridged.',
  'stuck-open': 'It does not close: the contact, or what pulls it.',
  reversed:
    'Open when it should be closed, and closed when it should be open: the other contact, or the states exchanged.',
};

export const switches = defineRule({
  kind: 'switches',
  fields: {
    /** Taken where it must be open. */
    open: Point,
    /** Taken where it must be closed. */
    closed: Point,
  },
  title: 'Opens and closes',
  outcomes: ['ok', 'stuck-closed', 'stuck-open', 'reversed'],
  byJudgement: true,
  points: ({ open, closed }) => [open, closed],
  judge(_rule, readings) {
    const [open, closed] = twoOf(readings);
    const opens = open.judgement.p.ok ?? 0;
    const closes = closed.judgement.p.ok ?? 0;
    const p = besides(allOf([opens, closes]), {
      'stuck-closed': (1 - opens) * closes,
      'stuck-open': opens * (1 - closes),
      reversed: (1 - opens) * (1 - closes),
    });
    return judgeClasses(p, WORDS[likeliest(p)] ?? '');
  },
});
