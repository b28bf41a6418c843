import { DataTypes, literal, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const optional = (type: DataTypes.DataType) => ({ type, allowNull: true });

/**
 * What a person may, and that they may no more; sessions that can be told apart and ended; invitations by link; failed tries to sign in, where
 * all processes see them. Whoever is there already owned the firm alone.
 */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('users', 'role', { ...required(DataTypes.TEXT), defaultValue: 'owner' });
  await query.addColumn('users', 'removed_at', optional(DataTypes.DATE));
  await query.addColumn('sessions', 'id', {
    ...required(DataTypes.UUID),
    // By the database itself: there are sessions already, and each gets its own.
    defaultValue: literal('gen_random_uuid()'),
  });
  const now = { ...required(DataTypes.DATE), defaultValue: literal('now()') };
  await query.addColumn('sessions', 'opened_at', now);
  await query.addColumn('sessions', 'seen_at', now);
  await query.addColumn('sessions', 'device', { ...required(DataTypes.TEXT), defaultValue: '' });
  await query.addIndex('sessions', ['firm_id', 'user_id', 'id'], { unique: true });
  await query.createTable('invitations', {
    firm_id: {
      ...required(DataTypes.UUID),
      primaryKey: true,
      references: { model: 'firms', key: 'id' },
      onDelete: 'CASCADE',
    },
    id: { ...required(DataTypes.UUID), primaryKey: true },
    token_hash: required(DataTypes.TEXT),
    name: required(DataTypes.TEXT),
    role: required(DataTypes.TEXT),
    made_by: required(DataTypes.TEXT),
    made_at: required(DataTypes.DATE),
    expires_at: required(DataTypes.DATE),
  });
  await query.addIndex('invitations', ['token_hash'], { unique: true });
  // Of no firm: who fails to sign in belongs to none.
  await query.createTable('failed_tries', {
    subject: required(DataTypes.TEXT),
    failed_at: required(DataTypes.DATE),
  });
  await query.addIndex('failed_tries', ['subject', 'failed_at']);
}
