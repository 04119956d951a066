import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A customer, site or unit that was a double of another: whoever asks for it is led there. */
export class Merged extends Model<InferAttributes<Merged>, InferCreationAttributes<Merged>> {
  declare id: string;
  declare into: string;
  declare at: Date;
}

export function defineMerged(sequelize: Sequelize) {
  return Merged.init(
    {
      id: { type: DataTypes.STRING(36), primaryKey: true },
      into: { type: DataTypes.STRING(36), allowNull: false },
      at: { type: DataTypes.DATE(3), allowNull: false },
    },
    { sequelize, tableName: 'merged' },
  );
}
