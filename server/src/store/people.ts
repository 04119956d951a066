/** People of the shop: who they are, and how that is changed without locking the shop out. */
import { type LicenceHeld, type PersonKept, type PersonResource, type Role } from '@jeitinho/core';
import { Op, type Transaction } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import { devicesOf, endSessions } from '../auth/sessions';
import { notFound, ProblemError } from '../problem';
import type { Store } from './models/index';
import type { Person } from './models/people';

export const personResource = (person: Person): PersonResource => ({
  id: person.id,
  name: person.name,
  roles: [...person.roles],
  licences: [...person.licences],
  formerly: [...person.formerly],
  removedAt: person.removedAt?.toISOString() ?? null,
});

export async function personKept(store: Store, person: Person): Promise<PersonKept> {
  const [passkeys, devices] = await Promise.all([
    store.passkeys.count({ where: { personId: person.id } }),
    devicesOf(store, person.id),
  ]);
  return {
    ...personResource(person),
    login: person.login ?? null,
    madeUp: person.demo,
    hasPassword: person.password != null,
    passkeys,
    devices: devices.length,
    seenAt: devices[0]?.seenAt.toISOString() ?? null,
  };
}

/** Those who belong, by name. */
export const livingPeople = (store: Store): Promise<Person[]> =>
  store.people.findAll({ where: { removedAt: null }, order: [['name', 'ASC']] });

/** All who ever belonged: entries carry their names. */
export const allPeople = (store: Store): Promise<Person[]> =>
  store.people.findAll({
    order: [
      ['removedAt', 'ASC'],
      ['name', 'ASC'],
    ],
  });

/** @throws {ProblemError} 404 for nobody, and for somebody who was removed. */
export async function livingPerson(
  store: Store,
  id: string,
  transaction?: Transaction,
): Promise<Person> {
  const person = await store.people.findByPk(id, {
    ...(transaction && { transaction, lock: true }),
  });
  if (!person || person.removedAt) throw notFound('such person');
  return person;
}

/** A name stands under entries for ever: nobody else gets it later. @throws {ProblemError} 409 */
export async function freeName(store: Store, name: string, but?: string): Promise<void> {
  const others = await store.people.findAll(
    but === undefined ? {} : { where: { id: { [Op.ne]: but } } },
  );
  const taken = others.find((each) => [each.name, ...each.formerly].some((own) => same(own, name)));
  if (taken)
    throw new ProblemError(
      409,
      'name-taken',
      `Nothing was changed: the name “${name}” stands under entries of ${taken.removedAt ? 'somebody who left' : 'somebody else'}. Add something to tell the two apart.`,
      { errors: [{ path: '/name', message: 'is taken.' }] },
    );
}

const same = (a: string, b: string) =>
  a.trim().localeCompare(b.trim(), undefined, { sensitivity: 'base' }) === 0;

export interface NewPerson {
  readonly name: string;
  readonly roles: readonly Role[];
  readonly licences?: readonly LicenceHeld[];
  readonly demo?: boolean;
}

export async function addPerson(
  store: Store,
  { name, roles, licences = [], demo = false }: NewPerson,
) {
  await freeName(store, name);
  return store.people.create({
    ...{ id: uuidv7(), name: name.trim(), roles, licences, demo },
    formerly: [],
    madeAt: new Date(),
  });
}

/** @throws {ProblemError} 409 where the shop would be left without an owner. */
async function keepAnOwner(store: Store, but: string, transaction: Transaction): Promise<void> {
  const living = await store.people.findAll({
    where: { removedAt: null },
    transaction,
    lock: true,
  });
  if (living.some(({ id, roles }) => id !== but && roles.includes('owner'))) return;
  throw new ProblemError(
    409,
    'last-owner',
    'Nothing was changed: the shop would have no owner. Make somebody else one first.',
  );
}

export async function editPerson(
  store: Store,
  id: string,
  {
    name,
    roles,
    licences,
  }: { name?: string; roles?: readonly Role[]; licences?: readonly LicenceHeld[] },
): Promise<Person> {
  if (name !== undefined) await freeName(store, name, id);
  return store.sequelize.transaction(async (transaction) => {
    const person = await livingPerson(store, id, transaction);
    if (roles && person.roles.includes('owner') && !roles.includes('owner'))
      await keepAnOwner(store, id, transaction);
    const renamed = name !== undefined && name.trim() !== person.name;
    const before = person.name;
    await person.update(
      {
        ...(renamed && {
          name: name.trim(),
          formerly: [...person.formerly.filter((each) => each !== name.trim()), before],
        }),
        ...(roles && { roles }),
        ...(licences && { licences }),
      },
      { transaction },
    );
    // Visits go by the name of whose they are.
    if (renamed)
      await store.jobs.update(
        { technician: person.name },
        { where: { technician: before, status: 'open' }, transaction },
      );
    return person;
  });
}

/** Two owners who remove each other in the same moment: the rows are locked, and one of them finds it done. */
export async function removePerson(store: Store, id: string): Promise<Person> {
  const person = await store.sequelize.transaction(async (transaction) => {
    const found = await livingPerson(store, id, transaction);
    if (found.roles.includes('owner')) await keepAnOwner(store, id, transaction);
    // A way in that is gone stays gone, should they ever come back.
    await found.update({ removedAt: new Date(), password: null, login: null }, { transaction });
    await store.passkeys.destroy({ where: { personId: id }, transaction });
    await store.links.destroy({ where: { personId: id }, transaction });
    return found;
  });
  await endSessions(store, id);
  return person;
}
