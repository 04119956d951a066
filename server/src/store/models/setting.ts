import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

export class Setting extends Model<InferAttributes<Setting>, InferCreationAttributes<Setting>> {
  declare name: string;
  declare value: unknown;
}

export function defineSetting(sequelize: Sequelize) {
  return Setting.init(
    {
      name: { type: DataTypes.STRING(80), primaryKey: true },
      value: { type: DataTypes.JSON, allowNull: false },
    },
    { sequelize, tableName: 'settings' },
  );
}
