import type { DiaryRow, FleetRow, PartDue } from '@katharos/contract';
import type { Complaint } from '@katharos/core';
import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';
import { firmId, id, integer, json, options, required, text } from './columns.ts';

/** Installed systems: copies of what they say, and what goes to their households. */

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
  declare rejection: number | null;
  declare rejectionOn: string | null;
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

export function defineService(sequelize: Sequelize): void {
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
      rejection: { type: DataTypes.DOUBLE, allowNull: true },
      rejectionOn: { type: DataTypes.DATEONLY, allowNull: true },
    },
    { ...options, sequelize, tableName: 'dues' },
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
    { ...options, sequelize, tableName: 'letters' },
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
    { ...options, sequelize, tableName: 'readings' },
  );
  FeedRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      userId: { type: DataTypes.UUID, primaryKey: true },
      tokenHash: text(),
      madeAt: required(DataTypes.DATE),
    },
    { ...options, sequelize, tableName: 'feeds' },
  );
  HouseholdPageRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      token: text(),
      madeAt: required(DataTypes.DATE),
    },
    { ...options, sequelize, tableName: 'household_pages' },
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
    { ...options, sequelize, tableName: 'household_words' },
  );
}
