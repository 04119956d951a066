import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

export class Customer extends Model<InferAttributes<Customer>, InferCreationAttributes<Customer>> {
  declare id: string;
  declare name: string;
  declare phone: CreationOptional<string>;
  /** What an hour without a machine costs them. */
  declare outage: CreationOptional<number | null>;
  /** Since when nobody knows any more who it was. */
  declare erasedAt: CreationOptional<Date | null>;
}

export function defineCustomer(sequelize: Sequelize) {
  return Customer.init(
    {
      id: { type: DataTypes.STRING(36), primaryKey: true },
      name: { type: DataTypes.STRING(200), allowNull: false },
      phone: { type: DataTypes.STRING(200), allowNull: false, defaultValue: '' },
      outage: { type: DataTypes.DOUBLE, allowNull: true },
      erasedAt: { type: DataTypes.DATE(3), allowNull: true },
    },
    { sequelize, tableName: 'customers' },
  );
}
