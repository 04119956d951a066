/** People, what lets them in, and what they did. */
import type { LicenceHeld, Role } from '@jeitinho/core';
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

// Made anew for each column: Sequelize writes into them.
const moment = () => ({ type: DataTypes.DATE(3), allowNull: false });
const perhaps = () => ({ type: DataTypes.DATE(3), allowNull: true });
const id = () => ({ type: DataTypes.STRING(36), allowNull: false });
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false });

export class Person extends Model<InferAttributes<Person>, InferCreationAttributes<Person>> {
  declare id: string;
  declare name: string;
  declare login: CreationOptional<string | null>;
  declare roles: readonly Role[];
  declare licences: readonly LicenceHeld[];
  /** Names that their entries may still carry. */
  declare formerly: CreationOptional<readonly string[]>;
  /** Argon2id in its own text form. */
  declare password: CreationOptional<string | null>;
  /** Made up: signs in by one press, on loopback alone. */
  declare demo: CreationOptional<boolean>;
  declare madeAt: Date;
  declare removedAt: CreationOptional<Date | null>;
}

export const definePerson = (sequelize: Sequelize) =>
  Person.init(
    {
      id: { ...id(), primaryKey: true },
      name: text(120),
      login: { type: DataTypes.STRING(80), allowNull: true },
      roles: { type: DataTypes.JSON, allowNull: false },
      licences: { type: DataTypes.JSON, allowNull: false },
      formerly: { type: DataTypes.JSON, allowNull: false, defaultValue: [] },
      password: { type: DataTypes.STRING(200), allowNull: true },
      demo: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      madeAt: moment(),
      removedAt: perhaps(),
    },
    { sequelize, tableName: 'people' },
  );

/** Somebody signed in on a device. */
export class Session extends Model<InferAttributes<Session>, InferCreationAttributes<Session>> {
  declare id: string;
  /** SHA-256 of the token. */
  declare token: string;
  declare personId: string;
  declare device: string;
  declare madeAt: Date;
  declare seenAt: Date;
}

export const defineSession = (sequelize: Sequelize) =>
  Session.init(
    {
      id: { ...id(), primaryKey: true },
      token: text(64),
      personId: id(),
      device: text(120),
      madeAt: moment(),
      seenAt: moment(),
    },
    { sequelize, tableName: 'sessions' },
  );

export class Passkey extends Model<InferAttributes<Passkey>, InferCreationAttributes<Passkey>> {
  /** The credential's, base64url. */
  declare id: string;
  declare personId: string;
  declare publicKey: Buffer;
  declare counter: CreationOptional<number>;
  declare transports: readonly string[];
  declare name: string;
  declare madeAt: Date;
  declare usedAt: CreationOptional<Date | null>;
}

export const definePasskey = (sequelize: Sequelize) =>
  Passkey.init(
    {
      id: { type: DataTypes.STRING(400), primaryKey: true },
      personId: id(),
      publicKey: { type: DataTypes.BLOB, allowNull: false },
      counter: { type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 },
      transports: { type: DataTypes.JSON, allowNull: false },
      name: text(120),
      madeAt: moment(),
      usedAt: perhaps(),
    },
    { sequelize, tableName: 'passkeys' },
  );

/** A challenge given out, for as long as somebody takes to touch a key. */
export class Ceremony extends Model<InferAttributes<Ceremony>, InferCreationAttributes<Ceremony>> {
  declare id: string;
  /** Whose new passkey it is for; null to sign in. */
  declare personId: string | null;
  declare challenge: string;
  declare until: Date;
}

export const defineCeremony = (sequelize: Sequelize) =>
  Ceremony.init(
    {
      id: { ...id(), primaryKey: true },
      personId: { ...id(), allowNull: true },
      challenge: text(200),
      until: moment(),
    },
    { sequelize, tableName: 'ceremonies' },
  );

export type LinkKind = 'owner' | 'joins' | 'recovers';

/** A way in that is used once. */
export class Link extends Model<InferAttributes<Link>, InferCreationAttributes<Link>> {
  /** SHA-256 of the token. */
  declare token: string;
  declare kind: LinkKind;
  declare personId: string | null;
  declare until: Date;
}

export const defineLink = (sequelize: Sequelize) =>
  Link.init(
    {
      token: { ...text(64), primaryKey: true },
      kind: text(10),
      personId: { ...id(), allowNull: true },
      until: moment(),
    },
    { sequelize, tableName: 'links' },
  );

/** Wrong passwords in a row. */
export class Attempt extends Model<InferAttributes<Attempt>, InferCreationAttributes<Attempt>> {
  /** SHA-256 of the login. */
  declare who: string;
  declare failed: number;
  declare lastAt: Date;
  declare until: Date;
}

export const defineAttempt = (sequelize: Sequelize) =>
  Attempt.init(
    {
      who: { ...text(64), primaryKey: true },
      failed: { type: DataTypes.INTEGER, allowNull: false },
      lastAt: moment(),
      until: moment(),
    },
    { sequelize, tableName: 'attempts' },
  );

export class Audit extends Model<InferAttributes<Audit>, InferCreationAttributes<Audit>> {
  declare id: CreationOptional<number>;
  declare at: Date;
  declare who: string;
  declare what: string;
  declare about: Record<string, string | number | boolean | null>;
}

export const defineAudit = (sequelize: Sequelize) =>
  Audit.init(
    {
      id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      at: moment(),
      who: text(120),
      what: text(60),
      about: { type: DataTypes.JSON, allowNull: false },
    },
    { sequelize, tableName: 'audit' },
  );
