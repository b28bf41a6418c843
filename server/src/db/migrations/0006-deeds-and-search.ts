import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });

/**
 * What was asked for and answered already, so that a repeated request does nothing twice; jobs put away; jobs found by a part
 * of a name; and every change told to whoever listens.
 */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('deeds', {
    firm_id: {
      ...required(DataTypes.UUID),
      primaryKey: true,
      references: { model: 'firms', key: 'id' },
      onDelete: 'CASCADE',
    },
    key: { ...required(DataTypes.TEXT), primaryKey: true },
    request: required(DataTypes.TEXT),
    status: { type: DataTypes.INTEGER, allowNull: true },
    answer: { type: DataTypes.JSONB, allowNull: true },
    done_at: required(DataTypes.DATE),
  });
  await query.addIndex('deeds', ['firm_id', 'done_at']);
  await query.addColumn('jobs', 'archived_at', { type: DataTypes.DATE, allowNull: true });
  await query.addColumn('jobs', 'removed_at', { type: DataTypes.DATE, allowNull: true });
  await query.sequelize.query('create extension if not exists pg_trgm');
  await query.sequelize.query(
    "create index jobs_found_by on jobs using gin ((name || ' ' || address) gin_trgm_ops)",
  );
  await query.addIndex('jobs', ['firm_id', 'updated_at', 'number']);
  await query.removeIndex('jobs', ['firm_id', 'updated_at']);
  // Whoever writes, of however many servers, all hear of it.
  for (const [table, of, job] of [
    ['jobs', 'job', 'id'],
    ['photographs', 'photographs', 'job_id'],
    ['van_stock', 'van', null],
    ['van_takings', 'van', null],
  ] as const) {
    await query.sequelize.query(`
      create function tell_${table}() returns trigger language plpgsql as $$
      declare
        changed ${table}%rowtype;
      begin
        if tg_op = 'DELETE' then changed := old; else changed := new; end if;
        perform pg_notify('katharos_changes', json_build_object(
          'firm', changed.firm_id, 'of', '${of}', 'job', ${job === null ? 'null' : `changed.${job}`}
        )::text);
        return null;
      end $$`);
    await query.sequelize.query(
      `create trigger tell_${table} after insert or update or delete on ${table} for each row execute function tell_${table}()`,
    );
  }
}
