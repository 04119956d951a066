import type { Handed } from '@jeitinho/core';
import type { JobSummary } from '@jeitinho/core/job';
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { Unit } from './unit';

/** A job and its projection; the log in `entries` is the truth. */
export class Job extends Model<InferAttributes<Job>, InferCreationAttributes<Job>> {
  declare id: string;
  declare unitId: string;
  declare sheetId: string | null;
  declare sheetRevision: number | null;
  declare complaint: string;
  declare urgent: CreationOptional<boolean>;
  declare visitAt: CreationOptional<Date | null>;
  declare openedAt: Date;
  /** Sequence number of the newest entry. */
  declare lastSeq: CreationOptional<number>;
  declare status: CreationOptional<'open' | 'signed'>;
  declare summary: CreationOptional<JobSummary | null>;
  declare summaryVersion: CreationOptional<number>;
  /** When it is due: its visit, else when it was opened. Reckoned by the database. */
  declare dueAt: CreationOptional<Date>;
  /** Where it stands in the day. */
  declare queue: CreationOptional<Queue>;
  /** Whose visit it is; null for whoever comes to it. */
  declare technician: CreationOptional<string | null>;
  declare handed: CreationOptional<Handed | null>;
  declare signedAt: CreationOptional<Date | null>;
  /** Day of the first thing that is to come after it, `YYYY-MM-DD`. */
  declare aheadOn: CreationOptional<string | null>;
  declare unit?: NonAttribute<Unit>;
}

/** 0 for a unit that is down and waits, 1 for work that was begun, 2 for the rest. */
export type Queue = 0 | 1 | 2;

export function defineJob(sequelize: Sequelize) {
  return Job.init(
    {
      id: { type: DataTypes.STRING(36), primaryKey: true },
      unitId: { type: DataTypes.STRING(36), allowNull: false },
      sheetId: { type: DataTypes.STRING(80), allowNull: true },
      sheetRevision: { type: DataTypes.INTEGER, allowNull: true },
      complaint: { type: DataTypes.TEXT, allowNull: false },
      urgent: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      visitAt: { type: DataTypes.DATE(3), allowNull: true },
      openedAt: { type: DataTypes.DATE(3), allowNull: false },
      lastSeq: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
      status: { type: DataTypes.STRING(10), allowNull: false, defaultValue: 'open' },
      summary: { type: DataTypes.JSON, allowNull: true },
      summaryVersion: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
      dueAt: { type: DataTypes.DATE(3) },
      queue: { type: DataTypes.TINYINT, allowNull: false, defaultValue: 2 },
      technician: { type: DataTypes.STRING(120), allowNull: true },
      handed: { type: DataTypes.JSON, allowNull: true },
      signedAt: { type: DataTypes.DATE(3), allowNull: true },
      aheadOn: { type: DataTypes.DATEONLY, allowNull: true },
    },
    { sequelize, tableName: 'jobs' },
  );
}
