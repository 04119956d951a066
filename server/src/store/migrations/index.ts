/** Migrations in their order. A landed migration is never edited; a later one mends it. */
import type { QueryInterface } from 'sequelize';
import * as firstVisit from './0001-first-visit';
import * as sheetFacets from './0002-sheet-facets';
import * as benches from './0003-benches';
import * as devices from './0004-devices';
import * as lists from './0005-lists';
import * as urgentFirst from './0006-urgent-first';
import * as placesAndPlans from './0007-places-and-plans';
import * as entriesByKind from './0008-entries-by-kind';
import * as pricesAndFollowUps from './0009-prices-and-follow-ups';
import * as people from './0010-people';
import * as memory from './0011-memory';
import * as presses from './0012-presses';

export interface Migration {
  readonly name: string;
  readonly up: (db: QueryInterface) => Promise<void>;
}

export const migrations: readonly Migration[] = [
  { name: '0001-first-visit', up: firstVisit.up },
  { name: '0002-sheet-facets', up: sheetFacets.up },
  { name: '0003-benches', up: benches.up },
  { name: '0004-devices', up: devices.up },
  { name: '0005-lists', up: lists.up },
  { name: '0006-urgent-first', up: urgentFirst.up },
  { name: '0007-places-and-plans', up: placesAndPlans.up },
  { name: '0008-entries-by-kind', up: entriesByKind.up },
  { name: '0009-prices-and-follow-ups', up: pricesAndFollowUps.up },
  { name: '0010-people', up: people.up },
  { name: '0011-memory', up: memory.up },
  { name: '0012-presses', up: presses.up },
];
