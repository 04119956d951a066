import type { EntryKind } from '@jeitinho/core/job';
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** One line of a job's log. What statistics ask of readings stands in columns, the rest in `body`. */
export class Entry extends Model<InferAttributes<Entry>, InferCreationAttributes<Entry>> {
  declare jobId: string;
  declare seq: number;
  declare id: string;
  declare kind: EntryKind;
  declare at: Date;
  declare author: string;
  declare body: Record<string, unknown>;
  declare test: CreationOptional<string | null>;
  declare point: CreationOptional<string | null>;
  /** As indicated, SI base unit; null for an overload and for entries that are no reading. */
  declare value: CreationOptional<number | null>;
  declare receivedAt: Date;
  /** Which browser or program wrote it; null in logs from before devices had names. */
  declare device: CreationOptional<string | null>;
  /** Highest number of the log that it had then. */
  declare seen: CreationOptional<number | null>;
  /** Milliseconds from its clock to ours, measured when it was sent; null where they agree. */
  declare offsetMs: CreationOptional<number | null>;
  /** Keys and taps since the entry before; null where nobody counted. */
  declare presses: CreationOptional<number | null>;
}

export function defineEntry(sequelize: Sequelize) {
  return Entry.init(
    {
      jobId: { type: DataTypes.STRING(36), primaryKey: true },
      seq: { type: DataTypes.INTEGER, primaryKey: true },
      id: { type: DataTypes.STRING(36), allowNull: false },
      kind: { type: DataTypes.STRING(40), allowNull: false },
      at: { type: DataTypes.DATE(3), allowNull: false },
      author: { type: DataTypes.STRING(120), allowNull: false },
      body: { type: DataTypes.JSON, allowNull: false },
      test: { type: DataTypes.STRING(80), allowNull: true },
      point: { type: DataTypes.STRING(80), allowNull: true },
      value: { type: DataTypes.DOUBLE, allowNull: true },
      receivedAt: { type: DataTypes.DATE(3), allowNull: false },
      device: { type: DataTypes.STRING(40), allowNull: true },
      seen: { type: DataTypes.INTEGER, allowNull: true },
      offsetMs: { type: DataTypes.DOUBLE, allowNull: true },
      presses: { type: DataTypes.INTEGER, allowNull: true },
    },
    { sequelize, tableName: 'entries' },
  );
}
