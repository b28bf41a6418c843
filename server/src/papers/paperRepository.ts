import type { IssuedPaper, PaperKind, PaperRecord } from '@katharos/contract';
import { literal, type Transaction } from 'sequelize';
import { PaperRow } from '../db/models.ts';
import { findSeal, sealCertificate } from './sealRepository.ts';

/** Where a paper belongs; every query is scoped by all of it. */
export interface PaperKey {
  firmId: string;
  jobId: string;
}

/** A service report says of which visit it is. */
const visitIn = ({ content }: PaperRow): string | null =>
  typeof content?.visit === 'string' ? content.visit : null;

const plain = (row: PaperRow): PaperRecord => ({
  id: row.id,
  kind: row.kind as PaperKind,
  version: row.version,
  visit: row.kind === 'service' ? ((row.get('visit') as string | undefined) ?? visitIn(row)) : null,
  hash: row.hash,
  issuedAt: row.issuedAt.toISOString(),
  issuedBy: row.issuedBy,
  reason: row.reason,
  gaps: row.gaps,
});

export async function listPapers(key: PaperKey): Promise<PaperRecord[]> {
  const rows = await PaperRow.findAll({
    where: { ...key },
    attributes: { exclude: ['content'], include: [[literal("content->>'visit'"), 'visit']] },
    order: [
      ['kind', 'ASC'],
      ['version', 'DESC'],
    ],
  });
  return rows.map(plain);
}

export async function findPaper(key: PaperKey, id: string): Promise<IssuedPaper | undefined> {
  const row = await PaperRow.findOne({ where: { ...key, id } });
  if (!row) return undefined;
  return { ...plain(row), content: row.content, seal: await findSeal(key.firmId, id) };
}

/** The newest version of a kind of paper. */
export async function newestPaper(
  key: PaperKey,
  kind: PaperKind,
  transaction: Transaction | null = null,
): Promise<IssuedPaper | undefined> {
  const row = await PaperRow.findOne({
    where: { ...key, kind },
    order: [['version', 'DESC']],
    transaction,
  });
  return row ? { ...plain(row), content: row.content, seal: null } : undefined;
}

/** Makes a record of a paper; a certificate is sealed to the firm's last one in the same breath. */
export async function addPaper(
  key: PaperKey,
  paper: Omit<IssuedPaper, 'id' | 'seal'>,
  transaction: Transaction,
): Promise<PaperRecord> {
  // It stands in the content.
  const { issuedAt, visit: _visit, ...rest } = paper;
  const row = await PaperRow.create(
    { ...key, ...rest, issuedAt: new Date(issuedAt) },
    { transaction },
  );
  const record = plain(row);
  if (record.kind === 'certificate') {
    await sealCertificate(key.firmId, record, Number(paper.content.number), transaction);
  }
  return record;
}
