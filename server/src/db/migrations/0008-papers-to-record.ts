import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const reference = (table: string) => ({
  references: { model: table, key: 'id' },
  onDelete: 'CASCADE',
});

const reason = 'Recorded when the program was updated: it says what the job said then.';

/** Papers that were handed over before papers were records: noted here, and made records once the server runs. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('papers_to_record', {
    job_id: { ...required(DataTypes.UUID), ...reference('jobs'), primaryKey: true },
    kind: { ...required(DataTypes.TEXT), primaryKey: true },
    firm_id: { ...required(DataTypes.UUID), ...reference('firms') },
    issued_at: required(DataTypes.DATE),
    issued_by: required(DataTypes.TEXT),
    reason: required(DataTypes.TEXT),
  });
  for (const [kind, place] of [
    ['certificate', '{keep,issued}'],
    ['proposal', '{system,agreed}'],
  ]) {
    await query.sequelize.query(
      `insert into papers_to_record
       select id, :kind, firm_id, (document #> :place ->> 'at')::timestamptz, document #> :place ->> 'by', :reason
       from jobs
       where jsonb_typeof(document #> :place) = 'object'
       and not exists (select from papers where job_id = jobs.id and papers.kind = :kind)`,
      { replacements: { kind: kind!, place: place!, reason } },
    );
  }
}
