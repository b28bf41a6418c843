import type { Letter } from '@katharos/contract';
import { literal, QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { HouseholdPageRow, JobRow, LetterRow } from '../db/models.ts';
import type { Mailer } from './mailer.ts';

/** Letters that are listed. */
const mostListed = 200;
/** A letter that was refused so often waits for a person. */
const mostTries = 20;
/** Handed over at one go. */
const atATime = 50;

/** The newest letters of a firm. */
export async function lettersOf(firmId: string): Promise<Letter[]> {
  const rows = await LetterRow.findAll({
    where: { firmId },
    attributes: {
      include: [
        [
          literal(
            '(select name from jobs where jobs.firm_id = "LetterRow".firm_id and jobs.id = "LetterRow".job_id)',
          ),
          'name',
        ],
      ],
    },
    order: [
      ['writtenAt', 'DESC'],
      ['id', 'ASC'],
    ],
    limit: mostListed,
  });
  return rows.map((row) => {
    const { id, jobId, recipient, subject, text, writtenAt, writtenBy, sentAt } = row;
    return {
      id,
      jobId,
      name: row.get('name') as string,
      recipient,
      subject,
      text,
      writtenAt: writtenAt.toISOString(),
      writtenBy,
      sentAt: sentAt?.toISOString() ?? null,
    };
  });
}

/** Households to whom a letter can be written, with their addresses. */
export async function addresseesOf(firmId: string, ids: string[]) {
  const jobs = await JobRow.findAll({
    where: { firmId, id: ids, removedAt: null },
    attributes: ['id', 'name', 'email', 'document'],
  });
  const pages = await HouseholdPageRow.findAll({ where: { firmId, jobId: ids } });
  const tokens = new Map(pages.map(({ jobId, token }) => [jobId, token]));
  return jobs.map((job) => ({
    jobId: job.id,
    name: job.name,
    email: job.email,
    document: job.document,
    token: tokens.get(job.id) ?? null,
  }));
}

export interface NewLetter {
  firmId: string;
  jobId: string;
  recipient: string;
  subject: string;
  text: string;
  writtenAt: Date;
  writtenBy: string;
}

export async function writeLetters(
  letters: readonly NewLetter[],
  transaction: Transaction,
): Promise<void> {
  await LetterRow.bulkCreate([...letters], { transaction });
}

interface Waiting {
  firmId: string;
  id: string;
  firm: string;
  recipient: string;
  subject: string;
  text: string;
}

/**
 * Hands waiting letters to the mail; what it does not take waits for the next time. Each is held while it is handed over, so that two
 * servers never send one letter twice; a server that dies in between may, and it is then the same message.
 * @param from the address that letters come from
 */
export async function sendWaiting(
  sequelize: Sequelize,
  mailer: Mailer,
  from: string,
  now: () => Date,
): Promise<number> {
  let sent = 0;
  for (let i = 0; i < atATime; i += 1) {
    const more = await sequelize.transaction(async (transaction) => {
      const [letter] = await sequelize.query<Waiting>(
        `select letters.firm_id as "firmId", letters.id, firms.name as firm, recipient, subject, text
         from letters join firms on firms.id = letters.firm_id
         where sent_at is null and tries < ${mostTries} order by tries, written_at limit 1 for update of letters skip locked`,
        { type: QueryTypes.SELECT, transaction },
      );
      if (!letter) return false;
      const { firmId, id, firm, recipient, subject, text } = letter;
      const note = async (change: { sentAt?: Date; tries?: number }) => {
        await LetterRow.update(change, { where: { firmId, id }, transaction });
      };
      try {
        const sender = { name: firm, address: from };
        await mailer.send({ id, from: sender, to: recipient, subject, text });
      } catch {
        await LetterRow.increment('tries', { where: { firmId, id }, transaction });
        return false;
      }
      await note({ sentAt: now() });
      sent += 1;
      return true;
    });
    if (!more) break;
  }
  return sent;
}
