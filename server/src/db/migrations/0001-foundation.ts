import { DataTypes, type QueryInterface } from 'sequelize';

const firmReference = {
  type: DataTypes.UUID,
  allowNull: false,
  references: { model: 'firms', key: 'id' },
  onDelete: 'CASCADE',
};
const id = { type: DataTypes.UUID, primaryKey: true };
const text = { type: DataTypes.TEXT, allowNull: false };
const integer = { type: DataTypes.INTEGER, allowNull: false };
const json = { type: DataTypes.JSONB, allowNull: false };
const moment = { type: DataTypes.DATE, allowNull: false };

/** Firms, their people, sessions, jobs and parts. Every row but the firm's own carries the firm it belongs to. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('firms', {
    id,
    name: text,
    settings: json,
    next_job_number: { ...integer, defaultValue: 1 },
  });
  await query.createTable('users', {
    id,
    firm_id: firmReference,
    email: { ...text, unique: true },
    name: text,
    password_hash: text,
  });
  await query.createTable('sessions', {
    token_hash: { type: DataTypes.TEXT, primaryKey: true },
    firm_id: firmReference,
    user_id: {
      type: DataTypes.UUID,
      allowNull: false,
      references: { model: 'users', key: 'id' },
      onDelete: 'CASCADE',
    },
    expires_at: moment,
  });
  await query.createTable('jobs', {
    id,
    firm_id: firmReference,
    number: integer,
    version: { ...integer, defaultValue: 1 },
    name: text,
    address: text,
    stage: text,
    finished: { type: DataTypes.BOOLEAN, allowNull: false },
    document: json,
    updated_by: text,
    updated_at: moment,
  });
  await query.addIndex('jobs', ['firm_id', 'number'], { unique: true });
  await query.addIndex('jobs', ['firm_id', 'updated_at']);
  await query.createTable('parts', {
    firm_id: { ...firmReference, primaryKey: true },
    part_id: { type: DataTypes.TEXT, primaryKey: true },
    position: integer,
    part: json,
  });
}

export async function down(query: QueryInterface): Promise<void> {
  for (const table of ['parts', 'jobs', 'sessions', 'users', 'firms']) await query.dropTable(table);
}
