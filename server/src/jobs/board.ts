import type { BoardRow } from '@katharos/contract';
import type { JobDocument, Stage } from '@katharos/job';
import { literal, Op } from 'sequelize';
import { JobRow } from '../db/models.ts';

/** Stages in which a job waits for water: to be flushed, or flushed and not verified. */
const waiting: Stage[] = ['flush', 'verify'];
/** More than any firm flushes at once. */
const most = 300;

/** A firm's jobs that wait for water. Of their documents only the flush and the telephone are read. */
export async function boardOf(firmId: string): Promise<BoardRow[]> {
  const rows = await JobRow.findAll({
    where: {
      firmId,
      archivedAt: null,
      removedAt: null,
      finished: false,
      stage: { [Op.in]: waiting },
    },
    attributes: [
      'id',
      'number',
      'name',
      'address',
      'stage',
      'updatedBy',
      [literal("document->'flush'"), 'flush'],
      'phone',
    ],
    order: [['updatedAt', 'DESC']],
    limit: most,
  });
  return rows.map((row) => {
    const { steps, plan = null, lead } = row.get('flush') as JobDocument['flush'];
    return {
      id: row.id,
      number: row.number,
      name: row.name,
      address: row.address,
      phone: row.phone,
      stage: row.stage as Stage,
      who: lead?.by ?? row.updatedBy,
      steps,
      plan,
    };
  });
}
