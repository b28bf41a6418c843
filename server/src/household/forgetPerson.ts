import { QueryTypes, type Transaction } from 'sequelize';
import { emptyEntries } from '../audit/auditRepository.ts';
import {
  HouseholdPageRow,
  HouseholdWordRow,
  JobRow,
  LetterRow,
  PhotographRow,
} from '../db/models.ts';
import { foundByOf } from '../jobs/foundBy.ts';

interface Whose {
  firmId: string;
  jobId: string;
}

/** What stands in the place of a name. */
export const nobody = 'Removed at their request';

/**
 * Takes what is known of a household out of a job: name, address, telephone, mail, notes, photographs, letters, its page and what it said on
 * it, and what the log says of the job. The system, its readings and its years stay, for whoever has to know what was built in; papers
 * stay where the law has them kept, or go with it all. Returns the letters that were written, for wherever they were laid; nothing where there
 * is no such job.
 */
export async function forgetPerson(
  { firmId, jobId }: Whose,
  papers: 'kept' | 'removed',
  transaction: Transaction,
): Promise<string[] | undefined> {
  const row = await JobRow.findOne({
    where: { firmId, id: jobId },
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  if (!row) return undefined;
  const where = { firmId, jobId };
  const letters = await LetterRow.findAll({ where, attributes: ['id'], transaction });
  const written = letters.map(({ id }) => id);
  await HouseholdWordRow.destroy({ where, transaction });
  await HouseholdPageRow.destroy({ where, transaction });
  await PhotographRow.destroy({ where, transaction });
  await LetterRow.destroy({ where, transaction });
  // Answers that are kept for a request that was lost hold the job as well.
  await row.sequelize.query(
    `delete from deeds where firm_id = :firmId and (answer::text like :job or key like :job)`,
    {
      replacements: { firmId, job: `%${jobId}%` },
      type: QueryTypes.RAW,
      transaction,
    },
  );
  await emptyEntries(firmId, { kind: 'job', id: jobId }, transaction);
  if (papers === 'removed') {
    await row.destroy({ transaction });
    return written;
  }
  const document = structuredClone(row.document);
  document.customer = { name: nobody, address: '', phone: '', note: '' };
  // What people wrote freely may name anybody.
  const withoutNotes = JSON.parse(
    JSON.stringify(document, (key, value: unknown) =>
      (key === 'note' || key === 'remark') && typeof value === 'string'
        ? ''
        : key === 'notes'
          ? undefined
          : value,
    ),
  ) as typeof document;
  await row.update(
    {
      document: withoutNotes,
      name: nobody,
      address: '',
      phone: '',
      email: '',
      foundBy: foundByOf(withoutNotes),
      version: row.version + 1,
    },
    { transaction },
  );
  return written;
}
