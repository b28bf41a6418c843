import { upgradeDocument2 } from '@katharos/job';
import { addMissingParts } from './addMissingParts.ts';
import { rewrite } from './rewrite.ts';
import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const firmId = () => ({
  ...required(DataTypes.UUID),
  primaryKey: true,
  references: { model: 'firms', key: 'id' },
  onDelete: 'CASCADE',
});

/** What the van holds and what was taken out of it for a job; a photograph's step; documents brought to the form of version 3. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('van_stock', {
    firm_id: firmId(),
    part_id: { ...required(DataTypes.TEXT), primaryKey: true },
    quantity: required(DataTypes.DOUBLE),
  });
  await query.createTable('van_takings', {
    firm_id: firmId(),
    job_id: {
      ...required(DataTypes.UUID),
      primaryKey: true,
      references: { model: 'jobs', key: 'id' },
      onDelete: 'CASCADE',
    },
    lines: required(DataTypes.JSONB),
    taken_at: required(DataTypes.DATE),
    taken_by: required(DataTypes.TEXT),
  });
  await query.addColumn('photographs', 'step', { type: DataTypes.TEXT, allowNull: true });
  await rewrite(query, 'jobs', 'id', 'document', upgradeDocument2);
  await addMissingParts(query, 'fitting');
}
