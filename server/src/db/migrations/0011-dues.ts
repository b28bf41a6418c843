import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const key = (type: DataTypes.DataType) => ({ ...required(type), primaryKey: true });
const reference = (table: string) => ({
  references: { model: table, key: 'id' },
  onDelete: 'CASCADE',
});

/** What is due on each installed system, as it was reckoned last: a copy of what its document says, made anew when that changes. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('dues', {
    firm_id: { ...key(DataTypes.UUID), ...reference('firms') },
    job_id: { ...key(DataTypes.UUID), ...reference('jobs') },
    // Of the job, of the firm's ways of keeping, and the week for which it was reckoned.
    version: required(DataTypes.INTEGER),
    ways: required(DataTypes.TEXT),
    reckoned_on: required(DataTypes.DATEONLY),
    // Nothing is due on what is no system, or cannot run in its water.
    due_on: { type: DataTypes.DATEONLY, allowNull: true },
    dues: required(DataTypes.JSONB),
  });
  await query.addIndex('dues', ['firm_id', 'due_on']);
}
