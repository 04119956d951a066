/** What a test could find, in the words in which it would be found. */
import { outcomeWords, ruleTitle } from '@jeitinho/core/judge';
import { isMeasured, type Test } from '@jeitinho/core/sheet';

/** An answer of the sheet's own where a question is asked: “burnt or swollen”; else the class: “open”. */
export function outcomeSaid(test: Test, outcome: string): string {
  const plain = outcome === 'ok' ? 'good' : outcomeWords(outcome);
  if (isMeasured(test)) return plain;
  const answers = Object.entries(test.answers).filter(([, each]) => each === outcome);
  return answers.length === 0 ? plain : answers.map(([answer]) => `“${answer}”`).join(' or ');
}

/** The test, and which of its points or rules: `Windings, U-V`. */
export function observableSaid(test: Test, observable: string): string {
  const [, at] = observable.split('@');
  if (at === undefined || !isMeasured(test)) return test.title;
  const point = test.points.find(({ id }) => id === at);
  if (point) return `${test.title}, ${point.name ?? point.id}`;
  const rule = test.together?.find(({ id }) => id === at);
  return rule ? `${test.title}: ${ruleTitle(rule).toLowerCase()}` : test.title;
}
