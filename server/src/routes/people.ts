import { personEdit, personInput } from '@jeitinho/core';
import { Hono } from 'hono';
import { me } from '../auth/guard';
import { newLink } from '../auth/links';
import { devicesOf, endSessions } from '../auth/sessions';
import { forgetWrong } from '../auth/slow-down';
import { jsonBody, onCalendar } from '../json-body';
import { ProblemError } from '../problem';
import { audit } from '../store/audit';
import type { Store } from '../store/models/index';
import {
  addPerson,
  allPeople,
  editPerson,
  livingPerson,
  personKept,
  personResource,
  removePerson,
} from '../store/people';
import { deviceResource } from './me';

export const peopleRoutes = (store: Store) =>
  new Hono()
    .get('/', async (c) => {
      const people = await allPeople(store);
      if (!me(c).roles.includes('owner')) return c.json(people.map(personResource));
      return c.json(await Promise.all(people.map((each) => personKept(store, each))));
    })
    .post('/', async (c) => {
      const body = await jsonBody(c, personInput);
      body.licences?.forEach((licence) => onCalendar(licence, ['until']));
      const person = await addPerson(store, body);
      const link = await newLink(store, 'joins', person.id);
      await audit(store, me(c).name, 'person-added', {
        name: person.name,
        roles: person.roles.join(', '),
      });
      return c.json(
        {
          person: await personKept(store, person),
          link: { path: link.path, until: link.until.toISOString() },
        },
        201,
      );
    })
    .patch('/:id', async (c) => {
      const body = await jsonBody(c, personEdit);
      body.licences?.forEach((licence) => onCalendar(licence, ['until']));
      const person = await editPerson(store, c.req.param('id'), body);
      await audit(store, me(c).name, 'person-changed', {
        name: person.name,
        roles: person.roles.join(', '),
        licences: person.licences.length,
      });
      return c.json(await personKept(store, person));
    })
    .delete('/:id', async (c) => {
      const person = await removePerson(store, c.req.param('id'));
      await audit(store, me(c).name, 'person-removed', { name: person.name });
      return c.body(null, 204);
    })
    .get('/:id/devices', async (c) => {
      const person = await livingPerson(store, c.req.param('id'));
      const rows = await devicesOf(store, person.id);
      return c.json(rows.map((each) => deviceResource(each, me(c).session)));
    })
    .post('/:id/link', async (c) => {
      const person = await livingPerson(store, c.req.param('id'));
      if (person.demo)
        throw new ProblemError(
          409,
          'made-up',
          'Made-up people sign in by one press; add real ones beside them.',
        );
      const link = await newLink(store, person.password == null ? 'joins' : 'recovers', person.id);
      await endSessions(store, person.id);
      if (person.login != null) await forgetWrong(store, person.login);
      await audit(store, me(c).name, 'link-made', { name: person.name });
      return c.json({ path: link.path, until: link.until.toISOString() }, 201);
    });
