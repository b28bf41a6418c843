import { upgradeDocument1, upgradePart1 } from '@katharos/contract';
import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';

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

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('photographs');
}

/** Rewrites one JSON column, row by row. */
async function rewrite(
  query: QueryInterface,
  table: 'jobs' | 'parts',
  key: string,
  column: string,
  upgrade: (value: unknown) => unknown,
): Promise<void> {
  const rows = await query.sequelize.query<Record<string, unknown>>(
    `select firm_id, ${key}, ${column} from ${table}`,
    { type: QueryTypes.SELECT },
  );
  for (const row of rows) {
    await query.sequelize.query(
      `update ${table} set ${column} = :value where firm_id = :firm and ${key} = :id`,
      {
        replacements: {
          value: JSON.stringify(upgrade(row[column])),
          firm: row.firm_id,
          id: row[key],
        },
        type: QueryTypes.UPDATE,
      },
    );
  }
}
