import { createHash } from 'node:crypto';
import type { IssuedPaper, PaperKind, PaperRecord } from '@katharos/contract';
import type { Transaction } from 'sequelize';
import { PaperRow } from '../db/models.ts';

/** Where a paper belongs; every query is scoped by all of it. */
export interface PaperKey {
  firmId: string;
  jobId: string;
}

const plain = (row: PaperRow): PaperRecord => ({
  id: row.id,
  kind: row.kind as PaperKind,
  version: row.version,
  hash: row.hash,
  issuedAt: row.issuedAt.toISOString(),
  issuedBy: row.issuedBy,
  reason: row.reason,
  gaps: row.gaps,
});

/** The same for the same content, in whatever order a database keeps its keys. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const entries = Object.entries(value)
    .filter(([, inner]) => inner !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, inner]) => `${JSON.stringify(key)}:${canonical(inner)}`).join(',')}}`;
}

export const hashOf = (content: object): string =>
  createHash('sha256').update(canonical(content)).digest('base64url');

export async function listPapers(key: PaperKey): Promise<PaperRecord[]> {
  const rows = await PaperRow.findAll({
    where: { ...key },
    attributes: { exclude: ['content'] },
    order: [
      ['kind', 'ASC'],
      ['version', 'DESC'],
    ],
  });
  return rows.map(plain);
}

export async function findPaper(key: PaperKey, id: string): Promise<IssuedPaper | undefined> {
  const row = await PaperRow.findOne({ where: { ...key, id } });
  return row ? { ...plain(row), content: row.content } : undefined;
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
  return row ? { ...plain(row), content: row.content } : undefined;
}

export async function addPaper(
  key: PaperKey,
  paper: Omit<IssuedPaper, 'id'>,
  transaction: Transaction,
): Promise<PaperRecord> {
  const { issuedAt, ...rest } = paper;
  const row = await PaperRow.create(
    { ...key, ...rest, issuedAt: new Date(issuedAt) },
    { transaction },
  );
  return plain(row);
}
