import type { Role } from '@katharos/contract';
import type { FirmSettings } from '@katharos/job';
import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';
import { firmId, id, integer, json, options, required, text } from './columns.ts';

/** A firm, its people, and how they get in. */

export class FirmRow extends Model<InferAttributes<FirmRow>, InferCreationAttributes<FirmRow>> {
  declare id: CreationOptional<string>;
  declare name: string;
  declare settings: FirmSettings;
  declare nextJobNumber: CreationOptional<number>;
}

export class UserRow extends Model<InferAttributes<UserRow>, InferCreationAttributes<UserRow>> {
  declare id: CreationOptional<string>;
  declare firmId: string;
  declare email: string;
  declare name: string;
  declare passwordHash: string;
  declare role: CreationOptional<Role>;
  /** Gone: signs in no more, and stands on what they did. */
  declare removedAt: CreationOptional<Date | null>;
  declare secondFactor: CreationOptional<SecondFactorKept | null>;
}

/** A person's second factor: codes by time (RFC 6238), and words for the day on which the telephone is gone. */
interface SecondFactorKept {
  secret: string;
  /** Set up, and not proven by a first code yet. */
  pending: boolean;
  /** Thirty-second step of the last code that was taken: each is taken once. */
  step: number;
  /** Hashes of words that are each good once. */
  recovery: string[];
}

/** A link by which a password is set anew. */
export class PasswordResetRow extends Model<
  InferAttributes<PasswordResetRow>,
  InferCreationAttributes<PasswordResetRow>
> {
  declare firmId: string;
  declare tokenHash: string;
  declare userId: string;
  declare expiresAt: Date;
}

export class SessionRow extends Model<
  InferAttributes<SessionRow>,
  InferCreationAttributes<SessionRow>
> {
  declare tokenHash: string;
  declare firmId: string;
  declare userId: string;
  declare expiresAt: Date;
  declare id: CreationOptional<string>;
  declare openedAt: Date;
  declare seenAt: Date;
  /** When its person last gave the password. */
  declare provedAt: Date;
  /** What the browser says of itself. */
  declare device: string;
  /** Its person is gone: a browser that comes with it is told to forget what it keeps. */
  declare letGo: CreationOptional<boolean>;
}

/** Somebody who may join by a link. */
export class InvitationRow extends Model<
  InferAttributes<InvitationRow>,
  InferCreationAttributes<InvitationRow>
> {
  declare firmId: string;
  declare id: CreationOptional<string>;
  declare tokenHash: string;
  declare name: string;
  declare role: Role;
  declare madeBy: string;
  declare madeAt: Date;
  declare expiresAt: Date;
}

/** A try to sign in that failed; of no firm. */
export class FailedTryRow extends Model<
  InferAttributes<FailedTryRow>,
  InferCreationAttributes<FailedTryRow>
> {
  declare subject: string;
  declare failedAt: Date;
}

/** A key that one of a person's devices holds: signed with there, and checked here by its public half. */
export class PasskeyRow extends Model<
  InferAttributes<PasskeyRow>,
  InferCreationAttributes<PasskeyRow>
> {
  declare firmId: string;
  declare id: CreationOptional<string>;
  declare userId: string;
  /** What the device calls it, base64url. */
  declare credentialId: string;
  declare publicKey: Buffer;
  /** Uses that the device has counted; a number of PostgreSQL's eight bytes. */
  declare counter: string;
  /** How a browser reaches the device. */
  declare transports: string[];
  /** Of the address under which it was made; it serves no other. */
  declare host: string;
  declare name: string;
  declare madeAt: Date;
  declare usedAt: CreationOptional<Date | null>;
}

/** What a browser is asked to sign, once; of no firm, for whoever signs in says only by it who they are. */
export class PasskeyQuestionRow extends Model<
  InferAttributes<PasskeyQuestionRow>,
  InferCreationAttributes<PasskeyQuestionRow>
> {
  declare challenge: string;
  declare purpose: string;
  declare expiresAt: Date;
}

export function definePeople(sequelize: Sequelize): void {
  FirmRow.init(
    { id: id(), name: text(), settings: json(), nextJobNumber: { ...integer(), defaultValue: 1 } },
    { ...options, sequelize, tableName: 'firms' },
  );
  UserRow.init(
    {
      id: id(),
      firmId: { ...firmId(), primaryKey: true },
      email: text(),
      name: text(),
      passwordHash: text(),
      role: { ...text(), defaultValue: 'owner' },
      removedAt: { type: DataTypes.DATE },
      secondFactor: { type: DataTypes.JSONB, allowNull: true },
    },
    { ...options, sequelize, tableName: 'users' },
  );
  PasswordResetRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      tokenHash: { type: DataTypes.TEXT, primaryKey: true },
      userId: required(DataTypes.UUID),
      expiresAt: required(DataTypes.DATE),
    },
    { ...options, sequelize, tableName: 'password_resets' },
  );
  SessionRow.init(
    {
      tokenHash: { type: DataTypes.TEXT, primaryKey: true },
      firmId: { ...firmId(), primaryKey: true },
      userId: required(DataTypes.UUID),
      expiresAt: required(DataTypes.DATE),
      id: { type: DataTypes.UUID, defaultValue: DataTypes.UUIDV4 },
      openedAt: required(DataTypes.DATE),
      seenAt: required(DataTypes.DATE),
      provedAt: required(DataTypes.DATE),
      device: text(),
      letGo: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
    },
    { ...options, sequelize, tableName: 'sessions' },
  );
  InvitationRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      id: id(),
      tokenHash: text(),
      name: text(),
      role: text(),
      madeBy: text(),
      madeAt: required(DataTypes.DATE),
      expiresAt: required(DataTypes.DATE),
    },
    { ...options, sequelize, tableName: 'invitations' },
  );
  PasskeyRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      id: id(),
      userId: required(DataTypes.UUID),
      credentialId: text(),
      publicKey: required(DataTypes.BLOB),
      counter: required(DataTypes.BIGINT),
      transports: json(),
      host: text(),
      name: text(),
      madeAt: required(DataTypes.DATE),
      usedAt: { type: DataTypes.DATE },
    },
    { ...options, sequelize, tableName: 'passkeys' },
  );
  PasskeyQuestionRow.init(
    {
      challenge: { type: DataTypes.TEXT, primaryKey: true },
      purpose: text(),
      expiresAt: required(DataTypes.DATE),
    },
    { ...options, sequelize, tableName: 'passkey_questions' },
  );
  FailedTryRow.init(
    { subject: text(), failedAt: required(DataTypes.DATE) },
    { ...options, sequelize, tableName: 'failed_tries' },
  );
  // It has no key: one try is like another.
  FailedTryRow.removeAttribute('id');
}
