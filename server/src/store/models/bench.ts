import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** What unsafe acts have left behind. */
export interface BenchMarks {
  readonly meterFuse?: boolean;
  /** Faults that were added. */
  readonly killed?: readonly string[];
}

/** The simulated machine of a job. Never part of an ordinary answer: its fault is to be found. */
export class Bench extends Model<InferAttributes<Bench>, InferCreationAttributes<Bench>> {
  declare jobId: string;
  declare fault: string;
  declare variant: number;
  declare seed: number;
  declare marks: BenchMarks;
}

export function defineBench(sequelize: Sequelize) {
  return Bench.init(
    {
      jobId: { type: DataTypes.STRING(36), primaryKey: true },
      fault: { type: DataTypes.STRING(80), allowNull: false },
      variant: { type: DataTypes.INTEGER, allowNull: false },
      seed: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
      marks: { type: DataTypes.JSON, allowNull: false, defaultValue: {} },
    },
    { sequelize, tableName: 'benches' },
  );
}
