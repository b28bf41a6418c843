import { DataTypes, type QueryInterface } from 'sequelize';

/** When a session's person proved last who they are: what cannot be undone wants that anew. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('sessions', 'proved_at', { type: DataTypes.DATE, allowNull: true });
  await query.sequelize.query('update sessions set proved_at = opened_at');
  await query.changeColumn('sessions', 'proved_at', { type: DataTypes.DATE, allowNull: false });
}
