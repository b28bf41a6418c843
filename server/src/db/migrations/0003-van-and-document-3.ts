import { starterCatalogue, upgradeDocument2 } from '@katharos/contract';
import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';
import { rewrite } from './rewrite.ts';

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
  await addMissingParts(query);
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('van_takings');
  await query.dropTable('van_stock');
  await query.removeColumn('photographs', 'step');
}

/** Firms that began before fittings were told apart get those that they have nothing for, behind their own parts. */
async function addMissingParts(query: QueryInterface): Promise<void> {
  const firms = await query.sequelize.query<{ id: string }>('select id from firms', {
    type: QueryTypes.SELECT,
  });
  const parts = starterCatalogue.filter(({ kind }) => kind === 'fitting');
  for (const { id } of firms) {
    for (const part of parts) {
      await query.sequelize.query(
        `insert into parts (firm_id, part_id, position, part)
         select :firm, :part, coalesce(max(position), 0) + 1, :value from parts where firm_id = :firm
         having not coalesce(bool_or(part ->> 'role' = :role or part_id = :part), false)`,
        {
          replacements: {
            firm: id,
            part: part.id,
            value: JSON.stringify(part),
            role: part.kind === 'fitting' ? part.role : '',
          },
          type: QueryTypes.INSERT,
        },
      );
    }
  }
}
