import type { KeptInstrument } from '@katharos/contract';
import type { Calibration, Instrument } from '@katharos/job';
import type { Transaction } from 'sequelize';
import { CalibrationRow, InstrumentRow } from '../db/models.ts';

/** A firm's instruments by name, each with its log, the newest line first. */
export async function findInstruments(firmId: string): Promise<KeptInstrument[]> {
  const [instruments, calibrations] = await Promise.all([
    InstrumentRow.findAll({ where: { firmId } }),
    CalibrationRow.findAll({ where: { firmId }, order: [['notedAt', 'DESC']] }),
  ]);
  return instruments
    .map(({ instrument }) => ({
      ...instrument,
      calibrations: calibrations
        .filter(({ instrumentId }) => instrumentId === instrument.id)
        .map(({ calibrationId: id, calibration, by }) => ({ id, ...calibration, by }))
        .sort((a, b) => b.on.localeCompare(a.on)),
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

export async function saveInstrument(
  firmId: string,
  instrument: Instrument,
  transaction?: Transaction,
): Promise<void> {
  const row = { firmId, instrumentId: instrument.id, instrument };
  await InstrumentRow.upsert(row, transaction ? { transaction } : {});
}

export const instrumentName = async (
  firmId: string,
  instrumentId: string,
): Promise<string | undefined> =>
  (await InstrumentRow.findOne({ where: { firmId, instrumentId } }))?.instrument.name;

export async function noteCalibration(
  firmId: string,
  log: { instrumentId: string; calibrationId: string; calibration: Calibration; by: string },
  transaction: Transaction,
): Promise<void> {
  await CalibrationRow.create({ firmId, ...log, notedAt: new Date() }, { transaction });
}
