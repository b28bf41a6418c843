import type { QueryInterface } from 'sequelize';

/** Of a job that changed it is told whether it waits for water or did: no other is on the board. */
export async function up(query: QueryInterface): Promise<void> {
  await query.sequelize.query(`
    create or replace function tell_jobs() returns trigger language plpgsql as $$
    declare
      changed jobs%rowtype;
      board boolean := false;
    begin
      if tg_op = 'DELETE' then changed := old; else changed := new; end if;
      if tg_op <> 'INSERT' then board := old.stage in ('flush', 'verify'); end if;
      if tg_op <> 'DELETE' then board := board or new.stage in ('flush', 'verify'); end if;
      perform pg_notify('katharos_changes', json_build_object(
        'firm', changed.firm_id, 'of', 'job', 'job', changed.id, 'board', board
      )::text);
      return null;
    end $$`);
}
