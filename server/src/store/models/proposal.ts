import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A sheet that somebody proposed, for a lead to take or decline. */
export class Proposal extends Model<InferAttributes<Proposal>, InferCreationAttributes<Proposal>> {
  declare id: string;
  declare sheetId: string;
  declare title: string;
  declare revision: number;
  /** The sheet as text. */
  declare document: string;
  declare author: string;
  declare at: Date;
  declare note: string;
  declare state: CreationOptional<'waiting' | 'taken' | 'declined'>;
  declare decidedBy: CreationOptional<string | null>;
  declare reason: CreationOptional<string>;
}

export function defineProposal(sequelize: Sequelize) {
  return Proposal.init(
    {
      id: { type: DataTypes.STRING(36), primaryKey: true },
      sheetId: { type: DataTypes.STRING(80), allowNull: false },
      title: { type: DataTypes.STRING(300), allowNull: false },
      revision: { type: DataTypes.INTEGER, allowNull: false },
      document: { type: DataTypes.TEXT('long'), allowNull: false },
      author: { type: DataTypes.STRING(120), allowNull: false },
      at: { type: DataTypes.DATE(3), allowNull: false },
      note: { type: DataTypes.TEXT, allowNull: false },
      state: { type: DataTypes.STRING(10), allowNull: false, defaultValue: 'waiting' },
      decidedBy: { type: DataTypes.STRING(120), allowNull: true },
      reason: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
    },
    { sequelize, tableName: 'proposals' },
  );
}
