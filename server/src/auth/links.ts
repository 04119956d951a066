/** Links that let somebody in once: the first owner, somebody new, somebody who lost their way in. */
import { Op, type Transaction } from 'sequelize';
import { ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import type { Link, LinkKind } from '../store/models/people';
import { digest, newToken } from './secrets';

const HOURS = { owner: 24 * 7, joins: 24 * 7, recovers: 24 } as const satisfies Record<
  LinkKind,
  number
>;

/** Behind the mark: a browser sends that to nobody, so it stands in no log. */
export const pathOfLink = (token: string): string => `/welcome#${token}`;

/** Makes a link; an earlier one for the same ends. */
export async function newLink(
  store: Store,
  kind: LinkKind,
  personId: string | null,
  now = Date.now(),
): Promise<{ readonly path: string; readonly until: Date }> {
  const token = newToken();
  const until = new Date(now + HOURS[kind] * 3_600_000);
  await store.links.destroy({ where: { personId: personId ?? { [Op.is]: null } } });
  await store.links.create({ token: digest(token), kind, personId, until });
  return { path: pathOfLink(token), until };
}

/** @throws {ProblemError} 404 for a link that is used up, over, or never was. */
export async function linkAt(
  store: Store,
  token: string,
  transaction?: Transaction,
  now = Date.now(),
): Promise<Link> {
  const link = await store.links.findByPk(digest(token), {
    ...(transaction && { transaction, lock: true }),
  });
  if (!link || link.until.getTime() < now)
    throw new ProblemError(
      404,
      'link-over',
      'This link was used already, or its time is over. Ask an owner of the shop for another.',
    );
  return link;
}

/** Whether the shop has somebody who keeps it, made-up people apart. */
export async function ownerWanted(store: Store): Promise<boolean> {
  const living = await store.people.findAll({ where: { removedAt: null, demo: false } });
  return !living.some(({ roles }) => roles.includes('owner'));
}
