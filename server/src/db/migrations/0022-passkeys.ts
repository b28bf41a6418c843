import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });

/** Passkeys of people, and the questions that a browser answers with one. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('passkeys', {
    firm_id: { ...required(DataTypes.UUID), primaryKey: true },
    id: { ...required(DataTypes.UUID), primaryKey: true },
    user_id: required(DataTypes.UUID),
    credential_id: required(DataTypes.TEXT),
    public_key: required(DataTypes.BLOB),
    counter: required(DataTypes.BIGINT),
    transports: required(DataTypes.JSONB),
    host: required(DataTypes.TEXT),
    name: required(DataTypes.TEXT),
    made_at: required(DataTypes.DATE),
    used_at: { type: DataTypes.DATE, allowNull: true },
  });
  await query.createTable('passkey_questions', {
    challenge: { ...required(DataTypes.TEXT), primaryKey: true },
    purpose: required(DataTypes.TEXT),
    expires_at: required(DataTypes.DATE),
  });
  await query.sequelize.query(`
    alter table passkeys
      add unique (firm_id, user_id, credential_id),
      add foreign key (firm_id, user_id) references users (firm_id, id) on delete cascade;
    create index on passkey_questions (expires_at);
  `);
}
