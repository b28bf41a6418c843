import { randomUUID } from 'node:crypto';
import { samplePasswordCost } from '../base/config.ts';
import { starterCatalogue, usualFirmSettings } from '@katharos/job';
import { createFirm, hasOwner } from '../firm/firmRepository.ts';
import { addJob } from '../jobs/jobRepository.ts';
import { noteHandedOver } from '../papers/recordHandedOver.ts';
import { noteCalibration, saveInstrument } from '../instruments/instrumentRepository.ts';
import { hashPassword } from '../session/passwords.ts';
import { setMinimum, setStock } from '../stock/stockRepository.ts';
import { StockPlaceRow } from '../db/models.ts';
import { demoOwner, demoPhone, demoSignIn, demoStock } from './demoFirm.ts';
import { demoInstruments } from './demoInstruments.ts';
import { demoJobs } from './demoJobs.ts';
import type { Sequelize } from 'sequelize';

/** Fills an empty database with the sample firm; a database that has an owner is left as it is. */
export async function seedDemo(sequelize: Sequelize, now: Date): Promise<void> {
  if (await hasOwner()) return;
  const passwordHash = await hashPassword(demoSignIn.password, samplePasswordCost);
  await sequelize.transaction(async (transaction) => {
    const owner = await createFirm(
      {
        name: demoOwner.firm,
        settings: { ...usualFirmSettings, phone: demoPhone },
        parts: starterCatalogue,
        owner: { name: demoOwner.name, email: demoSignIn.email, passwordHash },
      },
      transaction,
    );
    const places = await StockPlaceRow.findAll({ where: { firmId: owner.firmId }, transaction });
    for (const { kind, id: placeId } of places)
      for (const [partId, quantity, minimum] of demoStock[kind]) {
        const key = { firmId: owner.firmId, placeId, partId };
        await setStock(key, quantity, transaction);
        if (minimum) await setMinimum(key, minimum, transaction);
      }
    for (const { instrument, log } of demoInstruments(now)) {
      const [{ firmId }, { name: by }] = [owner, demoOwner];
      await saveInstrument(firmId, instrument, transaction);
      for (const calibration of log) {
        const line = { instrumentId: instrument.id, calibrationId: randomUUID(), calibration, by };
        await noteCalibration(firmId, line, transaction);
      }
    }
    for (const { document, updatedAt } of demoJobs(now)) {
      const { firmId } = owner;
      const job = await addJob(firmId, demoOwner.name, document, transaction, updatedAt);
      await noteHandedOver({ firmId, jobId: job.id, document }, transaction);
    }
  });
}
