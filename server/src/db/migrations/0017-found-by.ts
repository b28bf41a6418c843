import { DataTypes, type QueryInterface, QueryTypes } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const optional = (type: DataTypes.DataType) => ({ type, allowNull: true });

/**
 * What a job is found by: a line for each thing, and the same in small letters, by any part of a word. Telephone and mail beside the name:
 * reading them out of ten thousand documents takes longer than all the rest. What an installed system was last read to hold back.
 */
export async function up(query: QueryInterface): Promise<void> {
  const { sequelize } = query;
  const run = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW });
  await query.addColumn('jobs', 'phone', { ...required(DataTypes.TEXT), defaultValue: '' });
  await query.addColumn('jobs', 'email', { ...required(DataTypes.TEXT), defaultValue: '' });
  await query.addColumn('jobs', 'found_by', { ...required(DataTypes.TEXT), defaultValue: '' });
  await run(`
    update jobs set phone = coalesce(document->'customer'->>'phone', ''), email = coalesce(document->'customer'->>'email', ''),
      found_by = concat_ws(E'\\n', name || ' ' || address,
        nullif(document->'customer'->>'phone', ''), nullif(document->'customer'->>'email', ''),
        (select string_agg(distinct part #>> '{}', E'\\n') from jsonb_path_query(document, '$.system.design.**.name') as part),
        (select string_agg(concat_ws(' ', c.value ->> 'part', c.value ->> 'batch'), E'\\n')
         from jsonb_each(coalesce(document #> '{service,visits}', '{}')) v, jsonb_each(coalesce(v.value -> 'changed', '{}')) c))`);
  await run(
    'alter table jobs add column found_lower text generated always as (lower(found_by)) stored',
  );
  await run('drop index jobs_found_by');
  await run('create index jobs_found_by on jobs using gin (found_lower gin_trgm_ops)');
  // Who was read at a figure: a search among a million readings looks nowhere else.
  await query.addIndex('readings', ['firm_id', 'value', 'job_id']);
  await query.bulkDelete('dues', {});
  await query.addColumn('dues', 'rejection', optional(DataTypes.DOUBLE));
  await query.addColumn('dues', 'rejection_on', optional(DataTypes.DATEONLY));
}
