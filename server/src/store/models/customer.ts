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
}

export function defineCustomer(sequelize: Sequelize) {
  return Customer.init(
    {
      id: { type: DataTypes.STRING(36), primaryKey: true },
      name: { type: DataTypes.STRING(200), allowNull: false },
      phone: { type: DataTypes.STRING(200), allowNull: false, defaultValue: '' },
    },
    { sequelize, tableName: 'customers' },
  );
}
