/**
 * Sessions: an opaque token in a cookie that no script reads, its digest in the database. By the server's
 * clock alone: a device whose clock is a year off is signed in as long as any other.
 */
import type { LicenceHeld, Role } from '@jeitinho/core';
import { Op } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import type { Store } from '../store/models/index';
import type { Person, Session } from '../store/models/people';
import { raw } from '../store/raw';
import { digest, newToken } from './secrets';
import type { SignedIn } from './signed-in';

const DAY_MS = 86_400_000;
/** Unused for so long, a device has to sign in again; a van stands still over the holidays. */
export const IDLE_MS = 30 * DAY_MS;
export const LONGEST_MS = 180 * DAY_MS;
/** How exactly it is kept when a device was last seen. */
const SEEN_EVERY_MS = 5 * 60_000;
/** What a server's own clock may be set back by without ending every session. */
const BACK_MS = DAY_MS;

export async function beginSession(
  store: Store,
  person: Pick<Person, 'id'>,
  device: string,
  now = Date.now(),
): Promise<{ readonly token: string; readonly session: Session }> {
  const token = newToken();
  const at = new Date(now);
  const session = await store.sessions.create({
    id: uuidv7(),
    token: digest(token),
    personId: person.id,
    device,
    madeAt: at,
    seenAt: at,
  });
  return { token, session };
}

interface Row {
  readonly session: string;
  readonly made: Date | string;
  readonly seen: Date | string;
  readonly id: string;
  readonly name: string;
  readonly roles: readonly Role[];
  readonly licences: readonly LicenceHeld[];
  readonly formerly: readonly string[];
  readonly demo: number | boolean;
}

/** @returns who a token belongs to; undefined for one that is unknown, ended, or of somebody removed. */
export async function whoIs(
  store: Store,
  token: string | undefined,
  now = Date.now(),
): Promise<SignedIn | undefined> {
  if (!token || token.length > 100) return undefined;
  const [row] = await raw<Row[]>(
    store.sequelize,
    `SELECT s.id AS session, s.madeAt AS made, s.seenAt AS seen, p.id, p.name, p.roles, p.licences,
            p.formerly, p.demo
       FROM sessions s JOIN people p ON p.id = s.personId
      WHERE s.token = ? AND p.removedAt IS NULL`,
    [digest(token)],
  );
  if (!row) return undefined;
  const [made, seen] = [new Date(row.made).getTime(), new Date(row.seen).getTime()];
  if (!lives(made, seen, now)) return undefined;
  if (Math.abs(now - seen) > SEEN_EVERY_MS)
    await store.sessions.update({ seenAt: new Date(now) }, { where: { id: row.session } });
  const { session, id, name, roles, licences, formerly } = row;
  return {
    ...{ session, id, name, roles, licences },
    names: [name, ...formerly],
    demo: Boolean(row.demo),
  };
}

/** Whether a session goes on; also where the server's clock was wrong when it began, or is now. */
export const lives = (made: number, seen: number, now: number): boolean =>
  now - seen < IDLE_MS && now - made < LONGEST_MS && made - now < BACK_MS;

export const endsAt = ({ madeAt, seenAt }: Session): Date =>
  new Date(Math.min(madeAt.getTime() + LONGEST_MS, seenAt.getTime() + IDLE_MS));

/** Devices that somebody is signed in on, the last seen first. */
export async function devicesOf(
  store: Store,
  personId: string,
  now = Date.now(),
): Promise<Session[]> {
  const rows = await store.sessions.findAll({ where: { personId }, order: [['seenAt', 'DESC']] });
  return rows.filter((row) => lives(row.madeAt.getTime(), row.seenAt.getTime(), now));
}

export const endSessions = (store: Store, personId: string, but?: string): Promise<number> =>
  store.sessions.destroy({ where: { personId, ...(but && { id: { [Op.ne]: but } }) } });

/** Sessions, challenges and links that are over, taken out of the tables. */
export async function sweepSessions(store: Store, now = Date.now()): Promise<void> {
  const over = new Date(now);
  await store.sessions.destroy({
    where: {
      [Op.or]: [
        { seenAt: { [Op.lt]: new Date(now - IDLE_MS) } },
        { madeAt: { [Op.lt]: new Date(now - LONGEST_MS) } },
      ],
    },
  });
  await store.ceremonies.destroy({ where: { until: { [Op.lt]: over } } });
  await store.links.destroy({ where: { until: { [Op.lt]: over } } });
}
