import { starterCatalogue, usualFirmSettings } from '@katharos/job';
import { createFirm, hasOwner } from '../firm/firmRepository.ts';
import { addJob } from '../jobs/jobRepository.ts';
import { noteHandedOver } from '../papers/recordHandedOver.ts';
import { hashPassword } from '../session/passwords.ts';
import { VanStockRow } from '../db/models.ts';
import { demoOwner, demoPhone, demoSignIn, demoVan } from './demoFirm.ts';
import { demoJobs } from './demoJobs.ts';
import type { Sequelize } from 'sequelize';

/** Fills an empty database with the sample firm; a database that has an owner is left as it is. */
export async function seedDemo(sequelize: Sequelize, now: Date): Promise<void> {
  if (await hasOwner()) return;
  const passwordHash = await hashPassword(demoSignIn.password);
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
    for (const [partId, quantity] of demoVan) {
      await VanStockRow.create({ firmId: owner.firmId, partId, quantity }, { transaction });
    }
    for (const { document, updatedAt } of demoJobs(now)) {
      const { firmId } = owner;
      const job = await addJob(firmId, demoOwner.name, document, transaction, updatedAt);
      await noteHandedOver({ firmId, jobId: job.id, document }, transaction);
    }
  });
}
