import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const reference = (table: string) => ({
  ...required(DataTypes.UUID),
  references: { model: table, key: 'id' },
  onDelete: 'CASCADE',
});

/** A household's own page under an unguessable address, and what it said there. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('household_pages', {
    firm_id: { ...reference('firms'), primaryKey: true },
    job_id: { ...reference('jobs'), primaryKey: true },
    // Kept as it is: it is printed again on the next card.
    token: required(DataTypes.TEXT),
    made_at: required(DataTypes.DATE),
  });
  await query.addIndex('household_pages', ['token'], { unique: true });
  await query.createTable('household_words', {
    firm_id: { ...reference('firms'), primaryKey: true },
    id: { ...required(DataTypes.UUID), primaryKey: true },
    job_id: reference('jobs'),
    complaint: required(DataTypes.TEXT),
    text: required(DataTypes.TEXT),
    said_at: required(DataTypes.DATE),
  });
  await query.addIndex('household_words', ['firm_id', 'job_id', 'said_at']);
}
