import type { Part } from '@katharos/core';
import type { JobDocument } from '@katharos/job';
import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';
import { firmId, id, integer, json, options, required, text } from './columns.ts';

/** Jobs, the catalogue, photographs, and deeds that were answered. */

export class JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  declare id: CreationOptional<string>;
  declare firmId: string;
  declare number: number;
  declare version: CreationOptional<number>;
  /** Copies of the document's own fields, kept for searching and listing. */
  declare name: string;
  declare address: string;
  declare phone: string;
  declare email: string;
  /** A line for each thing that it is found by. */
  declare foundBy: string;
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
  declare version: CreationOptional<number>;
  /** Out of the catalogue: kept for what holds it, and never proposed. */
  declare retiredAt: CreationOptional<Date | null>;
}

/** What a supplier asks for a part since a day. */
export class PartPriceRow extends Model<
  InferAttributes<PartPriceRow>,
  InferCreationAttributes<PartPriceRow>
> {
  declare firmId: string;
  declare id: CreationOptional<string>;
  declare partId: string;
  declare supplier: string;
  declare since: string;
  declare price: number;
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

export function defineJobs(sequelize: Sequelize): void {
  JobRow.init(
    {
      id: id(),
      firmId: { ...firmId(), primaryKey: true },
      number: integer(),
      version: { ...integer(), defaultValue: 1 },
      name: text(),
      address: text(),
      phone: text(),
      email: text(),
      foundBy: text(),
      stage: text(),
      finished: required(DataTypes.BOOLEAN),
      document: json(),
      updatedBy: text(),
      updatedAt: { type: DataTypes.DATE, allowNull: false, defaultValue: DataTypes.NOW },
      archivedAt: { type: DataTypes.DATE, allowNull: true },
      removedAt: { type: DataTypes.DATE, allowNull: true },
    },
    { ...options, sequelize, tableName: 'jobs' },
  );
  PartRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      partId: { type: DataTypes.TEXT, primaryKey: true },
      position: integer(),
      part: json(),
      version: { ...integer(), defaultValue: 1 },
      retiredAt: { type: DataTypes.DATE, allowNull: true },
    },
    { ...options, sequelize, tableName: 'parts' },
  );
  PartPriceRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      id: id(),
      partId: text(),
      supplier: text(),
      since: required(DataTypes.DATEONLY),
      price: required(DataTypes.DOUBLE),
    },
    { ...options, sequelize, tableName: 'part_prices' },
  );
  PhotographRow.init(
    {
      id: id(),
      firmId: { ...firmId(), primaryKey: true },
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
    { ...options, sequelize, tableName: 'photographs' },
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
    { ...options, sequelize, tableName: 'deeds' },
  );
}
