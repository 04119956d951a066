import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A picture, once, under the SHA-256 of its bytes. */
export class Photo extends Model<InferAttributes<Photo>, InferCreationAttributes<Photo>> {
  declare hash: string;
  declare bytes: Buffer;
  declare size: number;
  declare keptAt: Date;
}

export function definePhoto(sequelize: Sequelize) {
  return Photo.init(
    {
      hash: { type: DataTypes.STRING(64), primaryKey: true },
      bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
      size: { type: DataTypes.INTEGER, allowNull: false },
      keptAt: { type: DataTypes.DATE(3), allowNull: false },
    },
    { sequelize, tableName: 'photos' },
  );
}
