import type { Job, JobSummary } from '@katharos/contract';
import { type JobDocument, jobDocumentSchema, type Stage, stageOf } from '@katharos/job';
import { FirmRow, JobRow } from '../db/models.ts';
import { type Attributes, Op, type Transaction, type WhereOptions } from 'sequelize';

const summaryOf = (row: JobRow): JobSummary => ({
  id: row.id,
  number: row.number,
  name: row.name,
  address: row.address,
  stage: row.stage as Stage,
  finished: row.finished,
  updatedAt: row.updatedAt.toISOString(),
});

const jobOf = (row: JobRow): Job => ({
  id: row.id,
  number: row.number,
  version: row.version,
  updatedAt: row.updatedAt.toISOString(),
  updatedBy: row.updatedBy,
  document: jobDocumentSchema.parse(row.document),
});

/** The columns that are copies of the document's own fields. */
const columnsOf = (document: JobDocument) => ({
  document,
  name: document.customer.name,
  address: document.customer.address,
  ...stageOf(document),
});

export interface JobQuery {
  search: string;
  limit: number;
  offset: number;
}

/** A firm's jobs, the last touched first; a search looks at name, address and number. */
export async function listJobs(firmId: string, { search, limit, offset }: JobQuery) {
  const where: WhereOptions<Attributes<JobRow>> = { firmId };
  if (search) {
    const pattern = `%${search.replace(/[\\%_]/g, '\\$&')}%`;
    const number = /^#?(\d{1,9})$/.exec(search);
    Object.assign(where, {
      [Op.or]: [
        { name: { [Op.iLike]: pattern } },
        { address: { [Op.iLike]: pattern } },
        ...(number ? [{ number: Number(number[1]) }] : []),
      ],
    });
  }
  const { rows, count } = await JobRow.findAndCountAll({
    where,
    attributes: { exclude: ['document'] },
    order: [
      ['updatedAt', 'DESC'],
      ['number', 'DESC'],
    ],
    limit,
    offset,
  });
  return { jobs: rows.map(summaryOf), total: count };
}

/** Adds a job under the firm's next number; the firm's row is locked so that no number is given twice. */
export async function addJob(
  firmId: string,
  by: string,
  document: JobDocument,
  transaction: Transaction,
  updatedAt = new Date(),
): Promise<Job> {
  const firm = await FirmRow.findByPk(firmId, { transaction, lock: true, rejectOnEmpty: true });
  const number = firm.nextJobNumber;
  await firm.update({ nextJobNumber: number + 1 }, { transaction });
  const row = await JobRow.create(
    { firmId, number, updatedBy: by, updatedAt, ...columnsOf(document) },
    { transaction },
  );
  return jobOf(row);
}

export async function findJob(firmId: string, id: string): Promise<Job | undefined> {
  const row = await JobRow.findOne({ where: { firmId, id } });
  return row ? jobOf(row) : undefined;
}

/** Saves a document made on a version; nothing is written if the job has moved on, and nothing is returned. */
export async function saveJob(
  firmId: string,
  id: string,
  { version, document, by }: { version: number; document: JobDocument; by: string },
): Promise<Omit<Job, 'document'> | undefined> {
  const updatedAt = new Date();
  const [changed] = await JobRow.update(
    { version: version + 1, updatedBy: by, updatedAt, ...columnsOf(document) },
    { where: { firmId, id, version } },
  );
  if (changed === 0) return undefined;
  const row = await JobRow.findOne({
    where: { firmId, id },
    attributes: ['number'],
    rejectOnEmpty: true,
  });
  return {
    id,
    number: row.number,
    version: version + 1,
    updatedAt: updatedAt.toISOString(),
    updatedBy: by,
  };
}
