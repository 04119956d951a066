/** A database that is away, full or damaged, said so that a device knows what to do: keep it, and come again. */
import { ProblemError } from './problem';
import { databaseTrouble } from './store/database-errors';

export const diskFull = () =>
  new ProblemError(
    503,
    'disk-full',
    'Nothing was stored: the server’s disk is full. Make room there; what you wrote is kept and sent then.',
    { retryAfter: 30 },
  );

/** @returns undefined for an error that says nothing about the database. */
export function databaseProblem(error: unknown): ProblemError | undefined {
  switch (databaseTrouble(error)) {
    case 'away':
      return new ProblemError(
        503,
        'no-database',
        'Nothing was stored: the database does not answer. It is being started again; what you wrote is kept and sent then.',
        { retryAfter: 3 },
      );
    case 'full':
      return diskFull();
    case 'damaged':
      return new ProblemError(
        503,
        'damaged-database',
        'Nothing was stored: a table of the database is missing or damaged. Put back a copy of the data folder.',
        { retryAfter: 60 },
      );
    default:
      return undefined;
  }
}
