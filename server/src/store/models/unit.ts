import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { Site } from './site';

export class Unit extends Model<InferAttributes<Unit>, InferCreationAttributes<Unit>> {
  declare id: string;
  declare siteId: string;
  declare label: string;
  declare maker: string;
  declare model: string;
  declare serial: CreationOptional<string>;
  declare kind: string;
  declare installedOn: CreationOptional<string | null>;
  declare warrantyUntil: CreationOptional<string | null>;
  /** What a warranty bears: `parts` or `parts-labour`. */
  declare warrantyCovers: CreationOptional<'parts' | 'parts-labour' | null>;
  /** Whether it was registered with its maker. */
  declare registered: CreationOptional<boolean | null>;
  /** What an hour without it costs. */
  declare outage: CreationOptional<number | null>;
  declare sheetId: CreationOptional<string | null>;
  declare site?: NonAttribute<Site>;
}

export function defineUnit(sequelize: Sequelize) {
  return Unit.init(
    {
      id: { type: DataTypes.STRING(36), primaryKey: true },
      siteId: { type: DataTypes.STRING(36), allowNull: false },
      label: { type: DataTypes.STRING(200), allowNull: false },
      maker: { type: DataTypes.STRING(200), allowNull: false },
      model: { type: DataTypes.STRING(200), allowNull: false },
      serial: { type: DataTypes.STRING(200), allowNull: false, defaultValue: '' },
      kind: { type: DataTypes.STRING(200), allowNull: false },
      installedOn: { type: DataTypes.DATEONLY, allowNull: true },
      warrantyUntil: { type: DataTypes.DATEONLY, allowNull: true },
      warrantyCovers: { type: DataTypes.STRING(20), allowNull: true },
      registered: { type: DataTypes.BOOLEAN, allowNull: true },
      outage: { type: DataTypes.DOUBLE, allowNull: true },
      sheetId: { type: DataTypes.STRING(80), allowNull: true },
    },
    { sequelize, tableName: 'units' },
  );
}
