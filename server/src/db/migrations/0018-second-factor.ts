import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });

/** A second factor of a person; links by which a forgotten password is set anew; sessions of people who were let go. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('users', 'second_factor', { type: DataTypes.JSONB, allowNull: true });
  // Kept for a while, so that a browser that comes again is told to forget what it holds.
  await query.addColumn('sessions', 'let_go', {
    ...required(DataTypes.BOOLEAN),
    defaultValue: false,
  });
  await query.createTable('password_resets', {
    firm_id: {
      ...required(DataTypes.UUID),
      primaryKey: true,
      references: { model: 'firms', key: 'id' },
      onDelete: 'CASCADE',
    },
    token_hash: { ...required(DataTypes.TEXT), primaryKey: true },
    user_id: {
      ...required(DataTypes.UUID),
      references: { model: 'users', key: 'id' },
      onDelete: 'CASCADE',
    },
    expires_at: required(DataTypes.DATE),
  });
  await query.addIndex('password_resets', ['token_hash']);
}
