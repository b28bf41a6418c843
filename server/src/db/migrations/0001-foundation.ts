import { type AbstractDataTypeConstructor, DataTypes, type QueryInterface } from 'sequelize';

// Every column gets a definition of its own: Sequelize alters what it is given.
const required = <T extends AbstractDataTypeConstructor>(type: T) => ({ type, allowNull: false });
const id = () => ({ type: DataTypes.UUID, primaryKey: true });
const text = () => required(DataTypes.TEXT);
const integer = () => required(DataTypes.INTEGER);
const json = () => required(DataTypes.JSONB);
const moment = () => required(DataTypes.DATE);
const reference = (table: string) => ({
  ...required(DataTypes.UUID),
  references: { model: table, key: 'id' },
  onDelete: 'CASCADE',
});

/** Firms, their people, sessions, jobs and parts. Every row but the firm's own carries the firm it belongs to. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('firms', {
    id: id(),
    name: text(),
    settings: json(),
    next_job_number: { ...integer(), defaultValue: 1 },
  });
  await query.createTable('users', {
    id: id(),
    firm_id: reference('firms'),
    email: { ...text(), unique: true },
    name: text(),
    password_hash: text(),
  });
  await query.createTable('sessions', {
    token_hash: { type: DataTypes.TEXT, primaryKey: true },
    firm_id: reference('firms'),
    user_id: reference('users'),
    expires_at: moment(),
  });
  await query.createTable('jobs', {
    id: id(),
    firm_id: reference('firms'),
    number: integer(),
    version: { ...integer(), defaultValue: 1 },
    name: text(),
    address: text(),
    stage: text(),
    finished: required(DataTypes.BOOLEAN),
    document: json(),
    updated_by: text(),
    updated_at: moment(),
  });
  await query.addIndex('jobs', ['firm_id', 'number'], { unique: true });
  await query.addIndex('jobs', ['firm_id', 'updated_at']);
  await query.createTable('parts', {
    firm_id: { ...reference('firms'), primaryKey: true },
    part_id: { type: DataTypes.TEXT, primaryKey: true },
    position: integer(),
    part: json(),
  });
}
