import type { PaperKind } from '@katharos/contract';
import { certificateGaps, type JobDocument } from '@katharos/job';
import type { Logger } from 'pino';
import type { Sequelize, Transaction } from 'sequelize';
import { firmParts } from '../catalogue/catalogueRepository.ts';
import { FirmRow, PaperToRecordRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';
import { findJob } from '../jobs/jobRepository.ts';
import { findVan } from '../stock/stockRepository.ts';
import type { PaperMill } from './paperMill.ts';
import { hashOf } from '../sealing/hash.ts';
import { addPaper, newestPaper } from './paperRepository.ts';

/** Notes what of a job was handed over, so that it becomes a record. */
export async function noteHandedOver(
  { firmId, jobId, document }: { firmId: string; jobId: string; document: JobDocument },
  transaction: Transaction,
): Promise<void> {
  const handed = { certificate: document.keep.issued, proposal: document.system?.agreed };
  for (const [kind, tick] of Object.entries(handed)) {
    if (!tick) continue;
    const said = { issuedAt: new Date(tick.at), issuedBy: tick.by, reason: '' };
    await PaperToRecordRow.create({ firmId, jobId, kind, ...said }, { transaction });
  }
}

/**
 * Makes records of papers that were handed over without one, one after the other; several servers share the work. Returns how many
 * were made.
 */
export async function recordHandedOver(
  sequelize: Sequelize,
  mill: PaperMill,
  logger: Logger,
): Promise<number> {
  for (let recorded = 0; ; recorded += 1) {
    const isDone = await sequelize.transaction((transaction) =>
      recordNext(mill, logger, transaction),
    );
    if (isDone) return recorded;
  }
}

/** Makes a record of the next paper; returns whether there was none. */
async function recordNext(
  mill: PaperMill,
  logger: Logger,
  transaction: Transaction,
): Promise<boolean> {
  const next = await PaperToRecordRow.findOne({ transaction, lock: true, skipLocked: true });
  if (!next) return true;
  const { firmId, jobId, issuedBy, reason } = next;
  const kind = next.kind as PaperKind;
  const at = next.issuedAt.toISOString();
  const [job, firm, catalogue, van, newest] = await Promise.all([
    findJob(firmId, jobId),
    FirmRow.findByPk(firmId, { rejectOnEmpty: true }),
    firmParts(firmId),
    findVan(firmId, null),
    newestPaper({ firmId, jobId }, kind),
  ]);
  if (job && !newest) {
    const gaps = kind === 'certificate' ? certificateGaps(job.document) : [];
    const { timeZone } = new Intl.DateTimeFormat().resolvedOptions();
    const source = {
      job,
      firm: { id: firm.id, name: firm.name, settings: firm.settings },
      catalogue,
      van,
      clock: { timeZone, now: Date.parse(at) },
      issue: { version: 1, at, by: issuedBy, timeZone, gaps, reason },
    };
    const content = await mill.content(kind, source, firmId).catch((error: unknown) => {
      // Another try may find room; what cannot be set at all must not stop those behind it.
      if (error instanceof ApiError) throw error;
      logger.error({ error, jobId, kind }, 'paper not recorded');
      return undefined;
    });
    // Nothing can be made of a job whose survey contradicts itself; it stays a draft.
    if (content) {
      const hash = hashOf(content);
      const paper = { kind, version: 1, visit: null, hash, issuedAt: at, issuedBy, reason, gaps };
      await addPaper({ firmId, jobId }, { ...paper, content: { ...content } }, transaction);
    }
  }
  await next.destroy({ transaction });
  return false;
}
