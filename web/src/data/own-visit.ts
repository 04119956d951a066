/** Whether somebody may write in a visit: theirs or nobody's, handed on by them, or with entries of theirs in it. */
import type { JobListItem, PersonResource } from '@jeitinho/core';
import { may } from './me';

type Owned = Pick<JobListItem, 'technician' | 'handed'>;

/** The same as the server asks, so that nobody measures for nothing. */
export function mayWrite(
  { technician, handed }: Owned,
  me: PersonResource | undefined,
  authors: readonly string[],
): boolean {
  const reach = may(me, 'append');
  if (!me || reach !== 'own') return reach !== undefined;
  const names = [me.name, ...me.formerly];
  return (
    technician === null ||
    names.includes(technician) ||
    (handed !== null && names.includes(handed.from)) ||
    authors.some((author) => names.includes(author))
  );
}

/** Why not, and whom to ask. */
export const notYourVisit = ({ technician }: Owned): string =>
  technician === null
    ? 'Nothing was recorded: the office plans visits, and measures in none. Hand it to a technician.'
    : `Nothing was recorded: this is ${technician}’s visit. Ask ${technician} or a lead to hand it over.`;
