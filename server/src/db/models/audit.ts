import type { AuditCode, SubjectKind } from '@katharos/contract';
import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';
import type { SealedEntry } from '../../sealing/logSeal.ts';
import { firmId, integer, options, required, text } from './columns.ts';

/** What was done in a firm, by whom; appended to, never changed. */
export class AuditRow
  extends Model<InferAttributes<AuditRow>, InferCreationAttributes<AuditRow>>
  implements SealedEntry
{
  declare firmId: string;
  declare seq: number;
  declare at: Date;
  declare code: AuditCode;
  declare subjectKind: SubjectKind;
  declare subjectId: string;
  /** Null once it was taken out for a person's sake. */
  declare content: SealedEntry['content'];
  declare contentHash: string;
  declare before: string;
  declare seal: string;
}

export function defineAudit(sequelize: Sequelize): void {
  AuditRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      seq: { ...integer(), primaryKey: true },
      at: required(DataTypes.DATE),
      code: text(),
      subjectKind: text(),
      subjectId: text(),
      content: { type: DataTypes.JSONB, allowNull: true },
      contentHash: text(),
      before: text(),
      seal: text(),
    },
    { ...options, sequelize, tableName: 'audit' },
  );
}
