import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });

/** A second factor of a person, and links by which a forgotten password is set anew. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('users', 'second_factor', { type: DataTypes.JSONB, allowNull: true });
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
