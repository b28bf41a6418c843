import type { CertificateLink, PaperRecord, Seal } from '@katharos/contract';
import { Op, type Transaction } from 'sequelize';
import { FirmRow, PaperRow, SealRow } from '../db/models.ts';
import { noSeal } from '../sealing/chain.ts';
import { type FullLink, sealOf } from '../sealing/seal.ts';

/** Seals a certificate to the firm's last one. Two that are issued at once wait for each other at the firm's row. */
export async function sealCertificate(
  firmId: string,
  { id: paperId, version, hash, issuedAt, issuedBy, reason, gaps }: PaperRecord,
  job: number,
  transaction: Transaction,
): Promise<void> {
  const lock = transaction.LOCK.NO_KEY_UPDATE;
  await FirmRow.findByPk(firmId, { attributes: ['id'], lock, transaction, rejectOnEmpty: true });
  const last = await SealRow.findOne({ where: { firmId }, order: [['link', 'DESC']], transaction });
  const link = (last?.link ?? 0) + 1;
  const before = last?.seal ?? noSeal;
  const sealed = { link, job, version, hash, issuedAt, issuedBy, reason, gaps, before };
  await SealRow.create(
    { firmId, paperId, ...sealed, issuedAt: new Date(issuedAt), seal: sealOf(sealed) },
    { transaction },
  );
}

export async function findSeal(firmId: string, paperId: string): Promise<Seal | null> {
  const row = await SealRow.findOne({ where: { firmId, paperId } });
  return row && { link: row.link, seal: row.seal };
}

const plain = (row: SealRow): CertificateLink => ({
  link: row.link,
  job: row.job,
  version: row.version,
  hash: row.hash,
  issuedAt: row.issuedAt.toISOString(),
  issuedBy: row.issuedBy,
  reason: row.reason,
  gaps: row.gaps,
  before: row.before,
  seal: row.seal,
});

/** Certificates that are read at a time. */
const atATime = 200;

/** A firm's certificates from the first on, with what stands on each, a few at a time. */
export async function* chainOf(firmId: string): AsyncGenerator<FullLink> {
  for (let from = 0; ;) {
    const rows = await SealRow.findAll({
      where: { firmId, link: { [Op.gt]: from } },
      order: [['link', 'ASC']],
      limit: atATime,
    });
    if (rows.length === 0) return;
    const papers = await PaperRow.findAll({
      where: { firmId, id: rows.map(({ paperId }) => paperId) },
      attributes: ['id', 'content'],
    });
    const contents = new Map(papers.map(({ id, content }) => [id, content]));
    for (const row of rows) yield { ...plain(row), content: contents.get(row.paperId) ?? null };
    from = rows.at(-1)!.link;
  }
}
