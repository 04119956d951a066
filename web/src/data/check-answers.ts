/** Holds every answer against its published shape: loaded in tests and while developing. */
import { OPERATIONS, type Operation, type RouteName } from '@jeitinho/core';
import { check, type TSchema } from '@jeitinho/core/validate';
import { watchAnswers } from './answer-watch';

/** @throws {TypeError} where an answer is not as it was published. */
export function checkAnswer(route: RouteName, status: number, value: unknown): void {
  const operation: Operation = OPERATIONS[route];
  const shape = operation.answers[status];
  if (shape === undefined) throw new TypeError(`${route} answered with ${status}`);
  if (shape === null || 'files' in shape) return;
  const read = check(shape as TSchema, value);
  if (read.ok) return;
  const wrong = read.problems.map(({ path, message }) => `${path || '/'} ${message}`);
  throw new TypeError(`${route} did not answer as published: ${wrong.join('; ')}`);
}

watchAnswers(checkAnswer);
