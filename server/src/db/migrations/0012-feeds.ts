import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const reference = (table: string) => ({
  references: { model: table, key: 'id' },
  onDelete: 'CASCADE',
});

/** A person's secret address of the diary as a calendar. Only its hash is kept: who reads the table cannot ask for a calendar. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('feeds', {
    firm_id: { ...required(DataTypes.UUID), ...reference('firms'), primaryKey: true },
    user_id: { ...required(DataTypes.UUID), ...reference('users'), primaryKey: true },
    token_hash: required(DataTypes.TEXT),
    made_at: required(DataTypes.DATE),
  });
  await query.addIndex('feeds', ['token_hash'], { unique: true });
}
