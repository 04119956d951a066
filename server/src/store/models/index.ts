/** All models of one connection, with how they belong together. */
import type { Sequelize } from 'sequelize';
import { defineBench } from './bench';
import { defineCustomer } from './customer';
import { defineDictionary } from './dictionary';
import { defineEntry } from './entry';
import { defineJob } from './job';
import { defineMerged } from './merged';
import {
  defineAttempt,
  defineAudit,
  defineCeremony,
  defineLink,
  definePasskey,
  definePerson,
  defineSession,
} from './people';
import { definePhoto } from './photo';
import { definePrice } from './price';
import { defineProposal } from './proposal';
import { defineSetting } from './setting';
import { defineSheet } from './sheet';
import { defineSite } from './site';
import { defineUnit } from './unit';
import { StoreMemory } from '../memory';

export function defineModels(sequelize: Sequelize) {
  const customers = defineCustomer(sequelize);
  const sites = defineSite(sequelize);
  const units = defineUnit(sequelize);
  const sheets = defineSheet(sequelize);
  const jobs = defineJob(sequelize);
  const entries = defineEntry(sequelize);
  const merged = defineMerged(sequelize);
  const prices = definePrice(sequelize);
  const settings = defineSetting(sequelize);
  const benches = defineBench(sequelize);
  const dictionaries = defineDictionary(sequelize);
  sites.belongsTo(customers, { as: 'customer', foreignKey: 'customerId' });
  units.belongsTo(sites, { as: 'site', foreignKey: 'siteId' });
  jobs.belongsTo(units, { as: 'unit', foreignKey: 'unitId' });
  return {
    sequelize,
    memory: new StoreMemory(),
    customers,
    sites,
    units,
    sheets,
    jobs,
    entries,
    merged,
    prices,
    settings,
    benches,
    dictionaries,
    people: definePerson(sequelize),
    sessions: defineSession(sequelize),
    passkeys: definePasskey(sequelize),
    ceremonies: defineCeremony(sequelize),
    links: defineLink(sequelize),
    attempts: defineAttempt(sequelize),
    audit: defineAudit(sequelize),
    photos: definePhoto(sequelize),
    proposals: defineProposal(sequelize),
  };
}

export type Store = ReturnType<typeof defineModels>;
