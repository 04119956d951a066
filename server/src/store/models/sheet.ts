import type { SheetFacets, WrittenSheet } from '@jeitinho/core/sheet';
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** One immutable revision of a service sheet. */
export class SheetRevision extends Model<
  InferAttributes<SheetRevision>,
  InferCreationAttributes<SheetRevision>
> {
  declare id: string;
  declare revision: number;
  declare title: string;
  declare maker: string;
  declare document: WrittenSheet;
  declare createdAt: Date;
  /** Projection of the document; null until it is made. */
  declare facets: CreationOptional<SheetFacets | null>;
  declare facetsVersion: CreationOptional<number>;
  declare author: CreationOptional<string>;
  /** Whether it is the latest of its sheet. */
  declare newest: CreationOptional<boolean>;
}

export function defineSheet(sequelize: Sequelize) {
  return SheetRevision.init(
    {
      id: { type: DataTypes.STRING(80), primaryKey: true },
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      title: { type: DataTypes.STRING(200), allowNull: false },
      maker: { type: DataTypes.STRING(200), allowNull: false },
      document: { type: DataTypes.JSON, allowNull: false },
      createdAt: { type: DataTypes.DATE(3), allowNull: false },
      facets: { type: DataTypes.JSON, allowNull: true },
      facetsVersion: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
      newest: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      author: { type: DataTypes.STRING(120), allowNull: false, defaultValue: '' },
    },
    { sequelize, tableName: 'sheets' },
  );
}
