import type { FaultDictionary } from '@jeitinho/core/bench';
import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** The fault dictionary of one revision of a sheet, as a device computed it. */
export class Dictionary extends Model<
  InferAttributes<Dictionary>,
  InferCreationAttributes<Dictionary>
> {
  declare sheetId: string;
  declare revision: number;
  declare document: FaultDictionary;
  declare madeAt: Date;
}

export function defineDictionary(sequelize: Sequelize) {
  return Dictionary.init(
    {
      sheetId: { type: DataTypes.STRING(80), primaryKey: true },
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      document: { type: DataTypes.JSON, allowNull: false },
      madeAt: { type: DataTypes.DATE(3), allowNull: false },
    },
    { sequelize, tableName: 'dictionaries' },
  );
}
