import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { Customer } from './customer';

export class Site extends Model<InferAttributes<Site>, InferCreationAttributes<Site>> {
  declare id: string;
  declare customerId: string;
  declare name: string;
  declare address: CreationOptional<string>;
  declare town: CreationOptional<string>;
  declare customer?: NonAttribute<Customer>;
}

export function defineSite(sequelize: Sequelize) {
  return Site.init(
    {
      id: { type: DataTypes.STRING(36), primaryKey: true },
      customerId: { type: DataTypes.STRING(36), allowNull: false },
      name: { type: DataTypes.STRING(200), allowNull: false },
      address: { type: DataTypes.STRING(200), allowNull: false, defaultValue: '' },
      town: { type: DataTypes.STRING(200), allowNull: false, defaultValue: '' },
    },
    { sequelize, tableName: 'sites' },
  );
}
