import { randomBytes } from 'node:crypto';
import type { Complaint } from '@katharos/core';
import { photographLimits } from '@katharos/job';
import type { Sequelize, Transaction } from 'sequelize';
import { record } from '../audit/auditRepository.ts';
import { lockJob, nameOfJob } from '../jobs/jobRepository.ts';
import { addPhotograph, countPhotographs } from '../photographs/photographRepository.ts';
import type { PreparedPhotograph } from '../photographs/preparePhotograph.ts';
import { FirmRow, HouseholdPageRow, HouseholdWordRow } from '../db/models.ts';

interface Whose {
  firmId: string;
  jobId: string;
}

/** Words of a household that are shown. */
const mostWords = 20;

/** The page's token, if there is one, and what was said on it. */
export async function householdSide({ firmId, jobId }: Whose) {
  const page = await HouseholdPageRow.findOne({ where: { firmId, jobId } });
  const words = await HouseholdWordRow.findAll({
    where: { firmId, jobId },
    order: [['saidAt', 'DESC']],
    limit: mostWords,
  });
  return {
    token: page?.token ?? null,
    words: words.map(({ id, complaint, text, saidAt, photographId }) => ({
      id,
      complaint,
      text,
      saidAt: saidAt.toISOString(),
      photographId,
    })),
  };
}

/** Makes the page's address anew; the one before ends. */
export async function makePage(
  { firmId, jobId }: Whose,
  now: Date,
  transaction: Transaction,
): Promise<string> {
  const token = randomBytes(24).toString('base64url');
  await HouseholdPageRow.upsert({ firmId, jobId, token, madeAt: now }, { transaction });
  return token;
}

export async function endPage({ firmId, jobId }: Whose, transaction: Transaction): Promise<void> {
  await HouseholdPageRow.destroy({ where: { firmId, jobId }, transaction });
}

/** Whose page a token is; like signing in, it is asked before any firm is known. */
export async function findPage(token: string) {
  const page = await HouseholdPageRow.findOne({ where: { token } });
  const firm = page && (await FirmRow.findByPk(page.firmId));
  return page && firm ? { jobId: page.jobId, firm } : undefined;
}

/** What a household says, both its words and its photograph, or neither; beyond what a job keeps of photographs the words come alone. */
export const say = (
  sequelize: Sequelize,
  { firmId, jobId }: Whose,
  {
    complaint,
    text,
    photograph,
  }: { complaint: Complaint; text: string; photograph: PreparedPhotograph | undefined },
  saidAt: Date,
): Promise<void> =>
  sequelize.transaction(async (transaction) => {
    const key = { firmId, jobId };
    const name = (await nameOfJob(firmId, jobId)) ?? '';
    await lockJob(firmId, jobId, transaction);
    const isKept =
      photograph && (await countPhotographs(key, transaction)) < photographLimits.perJob;
    const said = {
      about: 'complaint',
      step: null,
      caption: text.slice(0, 300),
      takenBy: 'The household',
      takenAt: saidAt,
    } as const;
    const { id = null } = isKept ? await addPhotograph(key, photograph, said, transaction) : {};
    const words = { ...key, complaint, text, saidAt, photographId: id };
    await HouseholdWordRow.create(words, { transaction });
    // By an address that somebody was given: who it was, nobody knows.
    const doer = { firmId, by: 'The household', device: '' };
    const done = {
      code: 'household-said',
      kind: 'job',
      id: jobId,
      name,
      data: { complaint },
    } as const;
    await record(doer, done, transaction);
  });
