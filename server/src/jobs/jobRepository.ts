import { type Job, type JobSummary, removedJobDays, type Shelf } from '@katharos/contract';
import { type JobDocument, type Stage, stageOf } from '@katharos/job';
import { FirmRow, JobRow } from '../db/models.ts';
import { foundByOf } from './foundBy.ts';
import { type Hit, hitsOf, isFoundBy } from './search.ts';
import { literal, Op, type Transaction, type WhereOptions } from 'sequelize';

const summaryOf = (row: JobRow, hit: Hit | null = null): JobSummary => ({
  id: row.id,
  number: row.number,
  name: row.name,
  address: row.address,
  stage: row.stage as Stage,
  finished: row.finished,
  updatedAt: row.updatedAt.toISOString(),
  hit,
});

const jobOf = (row: JobRow): Job => ({
  id: row.id,
  number: row.number,
  version: row.version,
  updatedAt: row.updatedAt.toISOString(),
  updatedBy: row.updatedBy,
  // As it was accepted then: what may be entered today is asked of what is entered today.
  document: row.document,
});

/** The columns that are copies of the document's own fields. */
const columnsOf = (document: JobDocument) => ({
  document,
  name: document.customer.name,
  address: document.customer.address,
  phone: document.customer.phone,
  email: document.customer.email ?? '',
  foundBy: foundByOf(document),
  ...stageOf(document),
});

export interface JobQuery {
  search: string;
  shelf: Shelf;
  limit: number;
  /** Behind which row the page begins. */
  after?: string | undefined;
}

const onShelf: Record<Shelf, WhereOptions> = {
  open: { archivedAt: null, removedAt: null },
  archived: { archivedAt: { [Op.not]: null }, removedAt: null },
  removed: { removedAt: { [Op.not]: null } },
};

/** Beyond so many nobody counts what was found: a page is read through, or the search is made narrower. */
const mostCounted = 1001;

/** A page of a firm's jobs, the last touched first. */
export async function listJobs(firmId: string, { search, shelf, limit, after }: JobQuery) {
  const [moment, number] = after?.split('~') ?? [];
  const updatedAt = moment === undefined ? undefined : new Date(moment);
  const wanted = [{ firmId }, onShelf[shelf], ...(search ? [isFoundBy(firmId, search)] : [])];
  const further = updatedAt && {
    [Op.or]: [
      { updatedAt: { [Op.lt]: updatedAt } },
      { updatedAt, number: { [Op.lt]: Number(number) } },
    ],
  };
  const counting =
    after === undefined
      ? JobRow.findAll({
          where: { [Op.and]: wanted },
          attributes: [[literal('1'), 'one']],
          limit: mostCounted,
          raw: true,
        })
      : undefined;
  const rows = await JobRow.findAll({
    where: { [Op.and]: [...wanted, ...(further ? [further] : [])] },
    // What it is found by is looked at only where something was looked for.
    attributes: { exclude: search ? ['document'] : ['document', 'foundBy'] },
    order: [
      ['updatedAt', 'DESC'],
      ['number', 'DESC'],
    ],
    limit: limit + 1,
  });
  const shown = rows.slice(0, limit);
  const hits = search ? await hitsOf(firmId, search, shown) : undefined;
  const jobs = shown.map((row) => summaryOf(row, hits?.get(row.id)));
  const last = jobs.at(-1);
  return {
    jobs,
    total: (await counting)?.length ?? null,
    next: rows.length > limit && last ? `${last.updatedAt}~${last.number}` : null,
  };
}

/**
 * Adds a job under the firm's next number; the firm's row is held so that no number is given twice. Its key is not: whoever writes a row
 * of the firm, and be it the log's, would wait for it and be waited for.
 */
export async function addJob(
  firmId: string,
  by: string,
  document: JobDocument,
  transaction: Transaction,
  updatedAt = new Date(),
): Promise<Job> {
  const lock = transaction.LOCK.NO_KEY_UPDATE;
  const firm = await FirmRow.findByPk(firmId, { transaction, lock, rejectOnEmpty: true });
  const number = firm.nextJobNumber;
  await firm.update({ nextJobNumber: number + 1 }, { transaction });
  const row = await JobRow.create(
    { firmId, number, updatedBy: by, updatedAt, ...columnsOf(document) },
    { transaction },
  );
  return jobOf(row);
}

/** Puts a job away, deletes it, or brings it back; returns its name, if there is one. */
export async function shelveJob(
  firmId: string,
  id: string,
  shelf: Shelf,
  now: Date,
  transaction: Transaction,
): Promise<string | undefined> {
  const [, [row]] = await JobRow.update(
    {
      archivedAt: shelf === 'archived' ? now : null,
      removedAt: shelf === 'removed' ? now : null,
    },
    { where: { firmId, id }, returning: ['name'], transaction },
  );
  return row?.name;
}

/** Jobs that were deleted and not brought back in time are gone, with all that belongs to them. */
export async function dropRemovedJobs(now: Date): Promise<void> {
  await JobRow.destroy({
    where: { removedAt: { [Op.lt]: new Date(now.getTime() - removedJobDays * 86400e3) } },
  });
}

/** Holds a job's row until the transaction ends: what is counted or looked for in it stays so. */
export async function lockJob(firmId: string, id: string, transaction: Transaction): Promise<void> {
  const lock = transaction.LOCK.UPDATE;
  await JobRow.findOne({ where: { firmId, id }, attributes: ['id'], lock, transaction });
}

/** What a job is called, for whoever needs no more of it; nothing where there is none. */
export const nameOfJob = async (firmId: string, id: string): Promise<string | undefined> =>
  (await JobRow.findOne({ where: { firmId, id }, attributes: ['name'] }))?.name;

/** Whether there is such a job, without its document. */
export const hasJob = async (firmId: string, id: string): Promise<boolean> =>
  (await JobRow.count({ where: { firmId, id } })) > 0;

export async function findJob(
  firmId: string,
  id: string,
  transaction: Transaction | null = null,
): Promise<Job | undefined> {
  const row = await JobRow.findOne({ where: { firmId, id }, transaction });
  return row ? jobOf(row) : undefined;
}

/** Saves a document made on a version; nothing is written if the job has moved on, and nothing is returned. */
export async function saveJob(
  firmId: string,
  id: string,
  { version, document, by }: { version: number; document: JobDocument; by: string },
  transaction: Transaction,
): Promise<Omit<Job, 'document'> | undefined> {
  const updatedAt = new Date();
  const [, [row]] = await JobRow.update(
    { version: version + 1, updatedBy: by, updatedAt, ...columnsOf(document) },
    { where: { firmId, id, version }, returning: ['number'], transaction },
  );
  if (!row) return undefined;
  return {
    id,
    number: row.number,
    version: version + 1,
    updatedAt: updatedAt.toISOString(),
    updatedBy: by,
  };
}
