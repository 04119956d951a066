import type { PriceRow } from '@jeitinho/core';
import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A line of the shop's price list, under its number without case, spaces and kinds of dash. */
export class Price extends Model<InferAttributes<Price>, InferCreationAttributes<Price>> {
  declare id: string;
  declare row: PriceRow;
}

export function definePrice(sequelize: Sequelize) {
  return Price.init(
    {
      id: { type: DataTypes.STRING(120), primaryKey: true },
      row: { type: DataTypes.JSON, allowNull: false },
    },
    { sequelize, tableName: 'prices' },
  );
}
