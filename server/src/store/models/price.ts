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
  /** Number and name in lower case. */
  declare words: string;
}

export function definePrice(sequelize: Sequelize) {
  return Price.init(
    {
      id: { type: DataTypes.STRING(120), primaryKey: true },
      row: { type: DataTypes.JSON, allowNull: false },
      words: { type: DataTypes.STRING(400), allowNull: false },
    },
    { sequelize, tableName: 'prices' },
  );
}
