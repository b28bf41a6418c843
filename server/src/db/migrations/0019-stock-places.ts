import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });

/** Vans and stores instead of the one van: what was counted and taken until now is the first van's. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('stock_places', {
    firm_id: {
      ...required(DataTypes.UUID),
      primaryKey: true,
      references: { model: 'firms', key: 'id' },
      onDelete: 'CASCADE',
    },
    id: { ...required(DataTypes.UUID), primaryKey: true },
    kind: required(DataTypes.TEXT),
    name: required(DataTypes.TEXT),
    user_id: {
      type: DataTypes.UUID,
      allowNull: true,
      references: { model: 'users', key: 'id' },
      onDelete: 'SET NULL',
    },
  });
  await query.sequelize.query(`
    insert into stock_places (firm_id, id, kind, name)
      select firms.id, gen_random_uuid(), first.kind, first.name
      from firms cross join (values ('van', 'The van'), ('store', 'The store')) as first (kind, name);
    drop trigger tell_van_stock on van_stock;
    drop function tell_van_stock();
    alter table van_stock rename to stock;
    alter table stock add column place_id uuid, add column minimum double precision not null default 0;
    update stock set place_id = place.id
      from stock_places place where place.firm_id = stock.firm_id and place.kind = 'van';
    alter table stock alter column place_id set not null, drop constraint van_stock_pkey,
      add primary key (firm_id, place_id, part_id),
      add foreign key (firm_id, place_id) references stock_places (firm_id, id);
    alter table van_takings add column place_id uuid;
    update van_takings set place_id = place.id
      from stock_places place where place.firm_id = van_takings.firm_id and place.kind = 'van';
    alter table van_takings alter column place_id set not null;
    create function tell_stock() returns trigger language plpgsql as $$
    begin
      perform pg_notify('katharos_changes', json_build_object(
        'firm', case when tg_op = 'DELETE' then old.firm_id else new.firm_id end, 'of', 'van', 'job', null)::text);
      return null;
    end $$;
    create trigger tell_stock after insert or update or delete on stock for each row execute function tell_stock();
    create trigger tell_stock_places after insert or update or delete on stock_places for each row execute function tell_stock();
  `);
}
