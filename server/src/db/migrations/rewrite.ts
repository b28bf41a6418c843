import { QueryTypes, type QueryInterface } from 'sequelize';

/** Rewrites one JSON column, row by row. */
export async function rewrite(
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
