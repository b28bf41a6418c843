import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const optional = (type: DataTypes.DataType) => ({ type, allowNull: true });
const reference = (table: string) => ({
  ...required(DataTypes.UUID),
  references: { model: table, key: 'id' },
  onDelete: 'CASCADE',
});

/**
 * Letters to households and how far each went; what was read at installed systems as rows; more of what the copy of a system says (it is
 * made anew by itself, so what is there is let go); the photograph that a household sent with its words.
 */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('letters', {
    firm_id: { ...reference('firms'), primaryKey: true },
    id: { ...required(DataTypes.UUID), primaryKey: true },
    job_id: reference('jobs'),
    recipient: required(DataTypes.TEXT),
    subject: required(DataTypes.TEXT),
    text: required(DataTypes.TEXT),
    written_at: required(DataTypes.DATE),
    written_by: required(DataTypes.TEXT),
    // Null while it waits to be handed to the mail.
    sent_at: optional(DataTypes.DATE),
    tries: { ...required(DataTypes.INTEGER), defaultValue: 0 },
  });
  await query.addIndex('letters', ['firm_id', 'job_id', 'written_at']);
  await query.addIndex('letters', ['firm_id', 'sent_at']);
  await query.createTable('readings', {
    firm_id: { ...reference('firms'), primaryKey: true },
    job_id: { ...reference('jobs'), primaryKey: true },
    // The hand-over, or a visit's id.
    visit: { ...required(DataTypes.TEXT), primaryKey: true },
    figure: { ...required(DataTypes.TEXT), primaryKey: true },
    read_on: required(DataTypes.DATEONLY),
    // In the core's units.
    value: required(DataTypes.DOUBLE),
  });
  await query.addIndex('readings', ['firm_id', 'figure', 'read_on']);
  await query.bulkDelete('dues', {});
  await query.addColumn('dues', 'since', optional(DataTypes.DATEONLY));
  await query.addColumn('dues', 'who', required(DataTypes.TEXT));
  await query.addColumn('dues', 'parts', required(DataTypes.JSONB));
  await query.addColumn('dues', 'membrane', optional(DataTypes.JSONB));
  await query.addColumn('household_words', 'photograph_id', {
    ...optional(DataTypes.UUID),
    references: { model: 'photographs', key: 'id' },
    onDelete: 'SET NULL',
  });
}
