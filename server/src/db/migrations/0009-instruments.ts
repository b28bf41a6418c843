import { DataTypes, type QueryInterface } from 'sequelize';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const key = (type: DataTypes.DataType) => ({ ...required(type), primaryKey: true });
const firmId = () => ({
  ...key(DataTypes.UUID),
  references: { model: 'firms', key: 'id' },
  onDelete: 'CASCADE',
});

/** A firm's instruments, and the log of how each was held against something known: a line of it is never changed. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('instruments', {
    firm_id: firmId(),
    instrument_id: key(DataTypes.UUID),
    instrument: required(DataTypes.JSONB),
  });
  await query.createTable('calibrations', {
    firm_id: firmId(),
    calibration_id: key(DataTypes.UUID),
    instrument_id: required(DataTypes.UUID),
    calibration: required(DataTypes.JSONB),
    by: required(DataTypes.TEXT),
    noted_at: required(DataTypes.DATE),
  });
  await query.addIndex('calibrations', ['firm_id', 'instrument_id']);
  await query.sequelize.query(`
    create function refuse_other_log() returns trigger language plpgsql as $$
    begin
      raise exception 'a calibration that was noted is not changed';
    end $$`);
  await query.sequelize.query(
    'create trigger keep_calibrations before update on calibrations for each row execute function refuse_other_log()',
  );
  await query.sequelize.query(`
    create function tell_instruments() returns trigger language plpgsql as $$
    begin
      perform pg_notify('katharos_changes', json_build_object(
        'firm', new.firm_id, 'of', 'instruments', 'job', null
      )::text);
      return null;
    end $$`);
  for (const table of ['instruments', 'calibrations']) {
    await query.sequelize.query(
      `create trigger tell_${table} after insert or update on ${table} for each row execute function tell_instruments()`,
    );
  }
}
