import type { Calibration, FirmSettings, GapCode, Instrument, JobDocument } from '@katharos/job';
import type { DiaryRow, FleetRow, PartDue, Role } from '@katharos/contract';
import type { Complaint, VanLine, Part } from '@katharos/core';
import {
  type AbstractDataTypeConstructor,
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';

/** Sequelize's view of the tables. Migrations are the schema's only author; nothing here creates or alters a table. */

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
  /** What the browser says of itself. */
  declare device: string;
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

export class JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  declare id: CreationOptional<string>;
  declare firmId: string;
  declare number: number;
  declare version: CreationOptional<number>;
  /** Copies of the document's own fields, kept for searching and listing. */
  declare name: string;
  declare address: string;
  declare stage: string;
  declare finished: boolean;
  declare document: JobDocument;
  declare updatedBy: string;
  declare updatedAt: CreationOptional<Date>;
  /** Put away: kept, and out of the list. */
  declare archivedAt: CreationOptional<Date | null>;
  /** Deleted by hand; kept for a while, so that it can be brought back. */
  declare removedAt: CreationOptional<Date | null>;
}

export class PartRow extends Model<InferAttributes<PartRow>, InferCreationAttributes<PartRow>> {
  declare firmId: string;
  declare partId: string;
  declare position: number;
  declare part: Part;
}

export class PhotographRow extends Model<
  InferAttributes<PhotographRow>,
  InferCreationAttributes<PhotographRow>
> {
  declare id: CreationOptional<string>;
  declare firmId: string;
  declare jobId: string;
  declare about: string;
  declare step: string | null;
  declare caption: string;
  declare takenAt: Date;
  declare takenBy: string;
  declare width: number;
  declare height: number;
  declare bytes: Buffer;
  /** Taken away by hand; kept, so that it can be brought back. */
  declare removedAt: Date | null;
}

export class VanStockRow extends Model<
  InferAttributes<VanStockRow>,
  InferCreationAttributes<VanStockRow>
> {
  declare firmId: string;
  declare partId: string;
  declare quantity: number;
}

export class VanTakingRow extends Model<
  InferAttributes<VanTakingRow>,
  InferCreationAttributes<VanTakingRow>
> {
  declare firmId: string;
  declare jobId: string;
  declare lines: VanLine[];
  declare takenAt: Date;
  declare takenBy: string;
}

export class InstrumentRow extends Model<
  InferAttributes<InstrumentRow>,
  InferCreationAttributes<InstrumentRow>
> {
  declare firmId: string;
  declare instrumentId: string;
  declare instrument: Instrument;
}

/** A look at an instrument with something known; never changed. */
export class CalibrationRow extends Model<
  InferAttributes<CalibrationRow>,
  InferCreationAttributes<CalibrationRow>
> {
  declare firmId: string;
  declare calibrationId: string;
  declare instrumentId: string;
  declare calibration: Calibration;
  declare by: string;
  declare notedAt: Date;
}

/** A request that was done, by the key it brought, and what it was answered. */
export class DeedRow extends Model<InferAttributes<DeedRow>, InferCreationAttributes<DeedRow>> {
  declare firmId: string;
  declare key: string;
  declare request: string;
  /** Null while it is being done. */
  declare status: number | null;
  declare answer: object | null;
  declare doneAt: Date;
}

/** A paper as it was issued; never changed. */
export class PaperRow extends Model<InferAttributes<PaperRow>, InferCreationAttributes<PaperRow>> {
  declare id: CreationOptional<string>;
  declare firmId: string;
  declare jobId: string;
  declare kind: string;
  declare version: number;
  declare content: Record<string, unknown>;
  declare hash: string;
  declare issuedAt: Date;
  declare issuedBy: string;
  declare reason: string;
  declare gaps: GapCode[];
}

/** A certificate's place in the chain of its firm's. A row is never changed: the database itself refuses it. */
export class SealRow extends Model<InferAttributes<SealRow>, InferCreationAttributes<SealRow>> {
  declare firmId: string;
  declare link: number;
  declare paperId: string;
  declare job: number;
  declare version: number;
  declare hash: string;
  declare issuedAt: Date;
  declare issuedBy: string;
  declare reason: string;
  declare gaps: GapCode[];
  declare before: string;
  declare seal: string;
}

/** What is due on an installed system, as it was reckoned last. */
export class DuesRow extends Model<InferAttributes<DuesRow>, InferCreationAttributes<DuesRow>> {
  declare firmId: string;
  declare jobId: string;
  declare version: number;
  declare ways: string;
  declare reckonedOn: string;
  declare dueOn: string | null;
  declare dues: DiaryRow['dues'];
  declare since: string | null;
  declare who: string;
  declare parts: PartDue[];
  declare membrane: FleetRow['membrane'];
}

/** A letter to a household, and how far it went. */
export class LetterRow extends Model<
  InferAttributes<LetterRow>,
  InferCreationAttributes<LetterRow>
> {
  declare firmId: string;
  declare id: CreationOptional<string>;
  declare jobId: string;
  declare recipient: string;
  declare subject: string;
  declare text: string;
  declare writtenAt: Date;
  declare writtenBy: string;
  declare sentAt: CreationOptional<Date | null>;
  declare tries: CreationOptional<number>;
}

/** A figure that was read at an installed system: a copy of what its document says. */
export class ReadingRow extends Model<
  InferAttributes<ReadingRow>,
  InferCreationAttributes<ReadingRow>
> {
  declare firmId: string;
  declare jobId: string;
  declare visit: string;
  declare figure: string;
  declare readOn: string;
  declare value: number;
}

/** A person's secret address of the diary as a calendar. */
export class FeedRow extends Model<InferAttributes<FeedRow>, InferCreationAttributes<FeedRow>> {
  declare firmId: string;
  declare userId: string;
  declare tokenHash: string;
  declare madeAt: Date;
}

/** A household's own page. */
export class HouseholdPageRow extends Model<
  InferAttributes<HouseholdPageRow>,
  InferCreationAttributes<HouseholdPageRow>
> {
  declare firmId: string;
  declare jobId: string;
  declare token: string;
  declare madeAt: Date;
}

/** What a household said on its page. */
export class HouseholdWordRow extends Model<
  InferAttributes<HouseholdWordRow>,
  InferCreationAttributes<HouseholdWordRow>
> {
  declare firmId: string;
  declare id: CreationOptional<string>;
  declare jobId: string;
  declare complaint: Complaint;
  declare text: string;
  declare saidAt: Date;
  declare photographId: CreationOptional<string | null>;
}

/** A paper that was handed over and is no record yet. */
export class PaperToRecordRow extends Model<
  InferAttributes<PaperToRecordRow>,
  InferCreationAttributes<PaperToRecordRow>
> {
  declare jobId: string;
  declare kind: string;
  declare firmId: string;
  declare issuedAt: Date;
  declare issuedBy: string;
  declare reason: string;
}

/** Binds the models to one connection. */
export function defineModels(sequelize: Sequelize): void {
  // Sequelize writes the column's name into the definition it is given, so every column needs an object of its own.
  const id = () => ({ type: DataTypes.UUID, primaryKey: true, defaultValue: DataTypes.UUIDV4 });
  const required = <T extends AbstractDataTypeConstructor>(type: T) => ({ type, allowNull: false });
  const firmId = () => required(DataTypes.UUID);
  const text = () => required(DataTypes.TEXT);
  const json = () => required(DataTypes.JSONB);
  const integer = () => required(DataTypes.INTEGER);
  const options = { sequelize, underscored: true, timestamps: false };
  FirmRow.init(
    { id: id(), name: text(), settings: json(), nextJobNumber: { ...integer(), defaultValue: 1 } },
    { ...options, tableName: 'firms' },
  );
  UserRow.init(
    {
      id: id(),
      firmId: firmId(),
      email: text(),
      name: text(),
      passwordHash: text(),
      role: { ...text(), defaultValue: 'owner' },
      removedAt: { type: DataTypes.DATE },
    },
    { ...options, tableName: 'users' },
  );
  SessionRow.init(
    {
      tokenHash: { type: DataTypes.TEXT, primaryKey: true },
      firmId: firmId(),
      userId: required(DataTypes.UUID),
      expiresAt: required(DataTypes.DATE),
      id: { type: DataTypes.UUID, defaultValue: DataTypes.UUIDV4 },
      openedAt: required(DataTypes.DATE),
      seenAt: required(DataTypes.DATE),
      device: text(),
    },
    { ...options, tableName: 'sessions' },
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
    { ...options, tableName: 'invitations' },
  );
  FailedTryRow.init(
    { subject: text(), failedAt: required(DataTypes.DATE) },
    { ...options, tableName: 'failed_tries' },
  );
  // It has no key: one try is like another.
  FailedTryRow.removeAttribute('id');
  JobRow.init(
    {
      id: id(),
      firmId: firmId(),
      number: integer(),
      version: { ...integer(), defaultValue: 1 },
      name: text(),
      address: text(),
      stage: text(),
      finished: required(DataTypes.BOOLEAN),
      document: json(),
      updatedBy: text(),
      updatedAt: { type: DataTypes.DATE, allowNull: false, defaultValue: DataTypes.NOW },
      archivedAt: { type: DataTypes.DATE, allowNull: true },
      removedAt: { type: DataTypes.DATE, allowNull: true },
    },
    { ...options, tableName: 'jobs' },
  );
  PartRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      partId: { type: DataTypes.TEXT, primaryKey: true },
      position: integer(),
      part: json(),
    },
    { ...options, tableName: 'parts' },
  );
  PhotographRow.init(
    {
      id: id(),
      firmId: firmId(),
      jobId: required(DataTypes.UUID),
      about: text(),
      step: { type: DataTypes.TEXT, allowNull: true },
      caption: text(),
      takenAt: required(DataTypes.DATE),
      takenBy: text(),
      width: integer(),
      height: integer(),
      bytes: required(DataTypes.BLOB),
      removedAt: { type: DataTypes.DATE, allowNull: true },
    },
    { ...options, tableName: 'photographs' },
  );
  VanStockRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      partId: { type: DataTypes.TEXT, primaryKey: true },
      quantity: required(DataTypes.DOUBLE),
    },
    { ...options, tableName: 'van_stock' },
  );
  VanTakingRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      lines: json(),
      takenAt: required(DataTypes.DATE),
      takenBy: text(),
    },
    { ...options, tableName: 'van_takings' },
  );
  InstrumentRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      instrumentId: { type: DataTypes.UUID, primaryKey: true },
      instrument: json(),
    },
    { ...options, tableName: 'instruments' },
  );
  CalibrationRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      calibrationId: { type: DataTypes.UUID, primaryKey: true },
      instrumentId: required(DataTypes.UUID),
      calibration: json(),
      by: text(),
      notedAt: required(DataTypes.DATE),
    },
    { ...options, tableName: 'calibrations' },
  );
  PaperRow.init(
    {
      id: id(),
      firmId: firmId(),
      jobId: required(DataTypes.UUID),
      kind: text(),
      version: integer(),
      content: json(),
      hash: text(),
      issuedAt: required(DataTypes.DATE),
      issuedBy: text(),
      reason: text(),
      gaps: json(),
    },
    { ...options, tableName: 'papers' },
  );
  SealRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      link: { ...integer(), primaryKey: true },
      paperId: required(DataTypes.UUID),
      job: integer(),
      version: integer(),
      hash: text(),
      issuedAt: required(DataTypes.DATE),
      issuedBy: text(),
      reason: text(),
      gaps: json(),
      before: text(),
      seal: text(),
    },
    { ...options, tableName: 'seals' },
  );
  DuesRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      version: integer(),
      ways: text(),
      reckonedOn: required(DataTypes.DATEONLY),
      dueOn: { type: DataTypes.DATEONLY },
      dues: json(),
      since: { type: DataTypes.DATEONLY },
      who: text(),
      parts: json(),
      membrane: { type: DataTypes.JSONB },
    },
    { ...options, tableName: 'dues' },
  );
  LetterRow.init(
    {
      firmId: firmId(),
      id: id(),
      jobId: required(DataTypes.UUID),
      recipient: text(),
      subject: text(),
      text: text(),
      writtenAt: required(DataTypes.DATE),
      writtenBy: text(),
      sentAt: { type: DataTypes.DATE },
      tries: { ...integer(), defaultValue: 0 },
    },
    { ...options, tableName: 'letters' },
  );
  ReadingRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      visit: { type: DataTypes.TEXT, primaryKey: true },
      figure: { type: DataTypes.TEXT, primaryKey: true },
      readOn: required(DataTypes.DATEONLY),
      value: required(DataTypes.DOUBLE),
    },
    { ...options, tableName: 'readings' },
  );
  FeedRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      userId: { type: DataTypes.UUID, primaryKey: true },
      tokenHash: text(),
      madeAt: required(DataTypes.DATE),
    },
    { ...options, tableName: 'feeds' },
  );
  HouseholdPageRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      token: text(),
      madeAt: required(DataTypes.DATE),
    },
    { ...options, tableName: 'household_pages' },
  );
  HouseholdWordRow.init(
    {
      firmId: firmId(),
      id: id(),
      jobId: required(DataTypes.UUID),
      complaint: text(),
      text: text(),
      saidAt: required(DataTypes.DATE),
      photographId: { type: DataTypes.UUID },
    },
    { ...options, tableName: 'household_words' },
  );
  PaperToRecordRow.init(
    {
      jobId: { type: DataTypes.UUID, primaryKey: true },
      kind: { type: DataTypes.TEXT, primaryKey: true },
      firmId: firmId(),
      issuedAt: required(DataTypes.DATE),
      issuedBy: text(),
      reason: text(),
    },
    { ...options, tableName: 'papers_to_record' },
  );
  DeedRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      key: { type: DataTypes.TEXT, primaryKey: true },
      request: text(),
      status: { type: DataTypes.INTEGER, allowNull: true },
      answer: { type: DataTypes.JSONB, allowNull: true },
      doneAt: required(DataTypes.DATE),
    },
    { ...options, tableName: 'deeds' },
  );
}
