import { upgradeDocument1, upgradePart1 } from '@katharos/job';
import { rewrite } from './rewrite.ts';
import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });

/** Photographs beside their job, and the stored documents and parts brought to the form of version 2. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('photographs', {
    id: { type: DataTypes.UUID, primaryKey: true },
    firm_id: {
      ...required(DataTypes.UUID),
      references: { model: 'firms', key: 'id' },
      onDelete: 'CASCADE',
    },
    job_id: {
      ...required(DataTypes.UUID),
      references: { model: 'jobs', key: 'id' },
      onDelete: 'CASCADE',
    },
    about: required(DataTypes.TEXT),
    caption: required(DataTypes.TEXT),
    taken_at: required(DataTypes.DATE),
    taken_by: required(DataTypes.TEXT),
    width: required(DataTypes.INTEGER),
    height: required(DataTypes.INTEGER),
    bytes: required(DataTypes.BLOB),
    removed_at: { type: DataTypes.DATE, allowNull: true },
  });
  await query.addIndex('photographs', ['job_id', 'taken_at']);
  await rewrite(query, 'jobs', 'id', 'document', upgradeDocument1);
  await rewrite(query, 'parts', 'part_id', 'part', upgradePart1);
}
