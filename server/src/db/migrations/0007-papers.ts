import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const reference = (table: string) => ({
  ...required(DataTypes.UUID),
  references: { model: table, key: 'id' },
  onDelete: 'CASCADE',
});

/** Papers as they were issued. A row is never changed: the database itself refuses it. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('papers', {
    id: { type: DataTypes.UUID, primaryKey: true },
    firm_id: reference('firms'),
    job_id: reference('jobs'),
    kind: required(DataTypes.TEXT),
    version: required(DataTypes.INTEGER),
    content: required(DataTypes.JSONB),
    hash: required(DataTypes.TEXT),
    issued_at: required(DataTypes.DATE),
    issued_by: required(DataTypes.TEXT),
    reason: required(DataTypes.TEXT),
    gaps: required(DataTypes.JSONB),
  });
  await query.addIndex('papers', ['firm_id', 'job_id', 'kind', 'version'], { unique: true });
  await query.sequelize.query(`
    create function refuse_change() returns trigger language plpgsql as $$
    begin
      raise exception 'an issued paper is not changed';
    end $$`);
  await query.sequelize.query(
    'create trigger keep_papers before update on papers for each row execute function refuse_change()',
  );
  await query.sequelize.query(`
    create function tell_papers() returns trigger language plpgsql as $$
    begin
      perform pg_notify('katharos_changes', json_build_object(
        'firm', new.firm_id, 'of', 'papers', 'job', new.job_id
      )::text);
      return null;
    end $$`);
  await query.sequelize.query(
    'create trigger tell_papers after insert on papers for each row execute function tell_papers()',
  );
}
