import type { FiledPhotograph, PhotographSubject } from '@katharos/job';
import type { Photograph } from '@katharos/contract';
import { PhotographRow } from '../db/models.ts';
import type { PreparedPhotograph } from './preparePhotograph.ts';
import { Op, type Transaction } from 'sequelize';

/** Where a photograph belongs; every query is scoped by all of it. */
export interface JobKey {
  firmId: string;
  jobId: string;
}

const plain = (row: PhotographRow): Photograph => ({
  id: row.id,
  about: row.about as PhotographSubject,
  step: row.step,
  caption: row.caption,
  takenAt: row.takenAt.toISOString(),
  takenBy: row.takenBy,
  width: row.width,
  height: row.height,
});

const whereIs = ({ firmId, jobId }: JobKey) => ({ firmId, jobId });
const present = { removedAt: { [Op.is]: null } };

/** A job's photographs, the oldest first, without their bytes. */
export async function listPhotographs(key: JobKey): Promise<Photograph[]> {
  const rows = await PhotographRow.findAll({
    where: { ...whereIs(key), ...present },
    attributes: { exclude: ['bytes'] },
    order: [
      ['takenAt', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return rows.map(plain);
}

export const countPhotographs = (key: JobKey, transaction: Transaction): Promise<number> =>
  PhotographRow.count({ where: { ...whereIs(key), ...present }, transaction });

/** Hours that a photograph taken away can be brought back. */
const undoHours = 24;

/** What was taken away and not brought back in time is gone. */
export async function dropRemovedPhotographs(now: Date): Promise<void> {
  await PhotographRow.destroy({
    where: { removedAt: { [Op.lt]: new Date(now.getTime() - undoHours * 3600e3) } },
  });
}

export async function addPhotograph(
  key: JobKey,
  { jpeg, width, height }: PreparedPhotograph,
  about: Pick<Photograph, 'about' | 'step' | 'caption' | 'takenBy'> & {
    takenAt: Date;
    id?: string;
  },
  transaction?: Transaction,
): Promise<Photograph> {
  const row = await PhotographRow.create(
    { ...whereIs(key), ...about, width, height, bytes: jpeg, removedAt: null },
    transaction ? { transaction } : {},
  );
  return plain(row);
}

export async function photographBytes(key: JobKey, id: string): Promise<Buffer | undefined> {
  const row = await PhotographRow.findOne({
    where: { ...whereIs(key), id, ...present },
    attributes: ['bytes'],
  });
  return row?.bytes;
}

/** Changes what is said of one; returns whether there was one. */
export async function changePhotograph(
  key: JobKey,
  id: string,
  change: Partial<Pick<Photograph, 'about' | 'caption'>>,
  transaction: Transaction,
): Promise<boolean> {
  const where = { ...whereIs(key), id, ...present };
  const [changed] = await PhotographRow.update(change, { where, transaction });
  return changed > 0;
}

/** Takes one away, or brings it back: it stays in the database, so that undo can. */
export async function setRemoved(
  key: JobKey,
  id: string,
  removedAt: Date | null,
  transaction: Transaction,
): Promise<boolean> {
  const where = { ...whereIs(key), id };
  const [changed] = await PhotographRow.update({ removedAt }, { where, transaction });
  return changed > 0;
}

/** All of a job's photographs as a job file carries them. */
export async function filedPhotographs(key: JobKey): Promise<FiledPhotograph[]> {
  const rows = await PhotographRow.findAll({
    where: { ...whereIs(key), ...present },
    order: [['takenAt', 'ASC']],
  });
  return rows.map((row) => ({
    about: row.about as PhotographSubject,
    ...(row.step === null ? {} : { step: row.step }),
    caption: row.caption,
    takenAt: row.takenAt.toISOString(),
    takenBy: row.takenBy,
    jpeg: row.bytes.toString('base64'),
  }));
}
