import { randomBytes } from 'node:crypto';
import type { Complaint } from '@katharos/core';
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
    words: words.map(({ id, complaint, text, saidAt }) => ({
      id,
      complaint,
      text,
      saidAt: saidAt.toISOString(),
    })),
  };
}

/** Makes the page's address anew; the one before ends. */
export async function makePage({ firmId, jobId }: Whose, now: Date): Promise<string> {
  const token = randomBytes(24).toString('base64url');
  await HouseholdPageRow.upsert({ firmId, jobId, token, madeAt: now });
  return token;
}

export async function endPage({ firmId, jobId }: Whose): Promise<void> {
  await HouseholdPageRow.destroy({ where: { firmId, jobId } });
}

/** Whose page a token is; like signing in, it is asked before any firm is known. */
export async function findPage(token: string) {
  const page = await HouseholdPageRow.findOne({ where: { token } });
  const firm = page && (await FirmRow.findByPk(page.firmId));
  return page && firm ? { jobId: page.jobId, firm } : undefined;
}

export async function say(
  { firmId, jobId }: Whose,
  { complaint, text }: { complaint: Complaint; text: string },
  saidAt: Date,
): Promise<void> {
  await HouseholdWordRow.create({ firmId, jobId, complaint, text, saidAt });
}
