import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const optional = (type: DataTypes.DataType) => ({ type, allowNull: true });
const firm = {
  ...required(DataTypes.UUID),
  primaryKey: true,
  references: { model: 'firms', key: 'id' },
  onDelete: 'CASCADE',
};

/**
 * What was done, by whom: appended to, sealed entry by entry, and never changed but for a person's sake. Parts that are changed,
 * retired and priced by those who sell them.
 */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('audit', {
    firm_id: firm,
    seq: { ...required(DataTypes.INTEGER), primaryKey: true },
    at: required(DataTypes.DATE),
    code: required(DataTypes.TEXT),
    subject_kind: required(DataTypes.TEXT),
    subject_id: required(DataTypes.TEXT),
    content: optional(DataTypes.JSONB),
    content_hash: required(DataTypes.TEXT),
    before: required(DataTypes.TEXT),
    seal: required(DataTypes.TEXT),
  });
  await query.addIndex('audit', ['firm_id', 'subject_kind', 'subject_id', 'seq']);
  // Nothing is changed; only what an entry says may be taken out, whole.
  await query.sequelize.query(`
    create function keep_entry() returns trigger language plpgsql as $$
    begin
      if new.content is not null or (to_jsonb(new) - 'content') <> (to_jsonb(old) - 'content') then
        raise exception 'an entry of the log is never changed';
      end if;
      return new;
    end $$`);
  await query.sequelize.query(
    'create trigger keep_audit before update on audit for each row execute function keep_entry()',
  );
  await query.addColumn('parts', 'version', { ...required(DataTypes.INTEGER), defaultValue: 1 });
  await query.addColumn('parts', 'retired_at', optional(DataTypes.DATE));
  await query.createTable('part_prices', {
    firm_id: firm,
    id: { ...required(DataTypes.UUID), primaryKey: true },
    part_id: required(DataTypes.TEXT),
    supplier: required(DataTypes.TEXT),
    since: required(DataTypes.DATEONLY),
    price: required(DataTypes.DOUBLE),
  });
  await query.addIndex('part_prices', ['firm_id', 'part_id', 'since']);
  await query.sequelize.query(`
    create function tell_parts() returns trigger language plpgsql as $$
    begin
      perform pg_notify('katharos_changes', json_build_object(
        'firm', (select firm_id from changed limit 1), 'of', 'catalogue', 'job', null)::text);
      return null;
    end $$`);
  // Once for a whole file of parts, not for each of them.
  for (const [when, as] of [
    ['insert', 'new'],
    ['update', 'new'],
    ['delete', 'old'],
  ] as const) {
    await query.sequelize.query(
      `create trigger tell_parts_${when} after ${when} on parts referencing ${as} table as changed
         for each statement execute function tell_parts()`,
    );
  }
}
