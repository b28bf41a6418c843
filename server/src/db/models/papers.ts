import type { GapCode } from '@katharos/job';
import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';
import { firmId, id, integer, json, options, required, text } from './columns.ts';

/** Papers as they were issued, and the chain of the certificates. */

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

export function definePapers(sequelize: Sequelize): void {
  PaperRow.init(
    {
      id: id(),
      firmId: { ...firmId(), primaryKey: true },
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
    { ...options, sequelize, tableName: 'papers' },
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
    { ...options, sequelize, tableName: 'seals' },
  );
  PaperToRecordRow.init(
    {
      jobId: { type: DataTypes.UUID, primaryKey: true },
      kind: { type: DataTypes.TEXT, primaryKey: true },
      firmId: { ...firmId(), primaryKey: true },
      issuedAt: required(DataTypes.DATE),
      issuedBy: text(),
      reason: text(),
    },
    { ...options, sequelize, tableName: 'papers_to_record' },
  );
}
