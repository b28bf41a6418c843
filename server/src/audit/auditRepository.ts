import type { AuditCode, AuditEntry, auditQuerySchema, SubjectKind } from '@katharos/contract';
import { literal, Op, type Sequelize, type Transaction } from 'sequelize';
import type { z } from 'zod';
import { containing } from '../db/like.ts';
import { AuditRow } from '../db/models.ts';
import { hashOf } from '../sealing/hash.ts';
import { noSeal } from '../sealing/chain.ts';
import { salted, type SealedEntry, sealOfEntry } from '../sealing/logSeal.ts';

/** Who does something, from where. */
export interface Doer {
  firmId: string;
  by: string;
  device: string;
}

/** What was done, and to what. */
export interface Done {
  code: AuditCode;
  kind: SubjectKind;
  id: string;
  name: string;
  data?: Record<string, unknown>;
}

/** Advisory locks of the firms' logs stand under this number. */
const logLock = 8719;

/**
 * Writes into a firm's log what a transaction does, with it or not at all. Two at once wait for each other from here to their end, so
 * this comes last in a transaction.
 */
export const record = (doer: Doer, done: Done, transaction: Transaction): Promise<void> =>
  recordAll(doer, [done], transaction);

export async function recordAll(
  { firmId, by, device }: Doer,
  done: readonly Done[],
  transaction: Transaction,
): Promise<void> {
  const { sequelize } = AuditRow;
  await sequelize!.query('select pg_advisory_xact_lock(:logLock, hashtext(:firmId))', {
    replacements: { logLock, firmId },
    transaction,
  });
  const last = await AuditRow.findOne({
    where: { firmId },
    attributes: ['seq', 'seal'],
    order: [['seq', 'DESC']],
    transaction,
  });
  let seq = last?.seq ?? 0;
  let before = last?.seal ?? noSeal;
  const at = new Date();
  const entries = done.map(({ code, kind, id, name, data = {} }) => {
    const content = salted({ by, device, name, data });
    seq += 1;
    const entry = {
      seq,
      at,
      code,
      subjectKind: kind,
      subjectId: id,
      contentHash: hashOf(content),
      before,
    };
    const seal = sealOfEntry(entry);
    before = seal;
    return { firmId, ...entry, content, seal };
  });
  await AuditRow.bulkCreate(entries, { transaction });
}

/** The same for a deed that is one statement and has no transaction of its own. */
export const recorded = <T>(
  sequelize: Sequelize,
  doer: Doer,
  done: Done,
  deed: (transaction: Transaction) => Promise<T>,
): Promise<T> =>
  sequelize.transaction(async (transaction) => {
    const result = await deed(transaction);
    await record(doer, done, transaction);
    return result;
  });

/** What is written down and changes nothing else: that somebody came in, or took something along. */
export const noted = (sequelize: Sequelize, doer: Doer, done: Done): Promise<void> =>
  recorded(sequelize, doer, done, () => Promise.resolve());

const plain = (row: AuditRow): AuditEntry => ({
  seq: row.seq,
  at: row.at.toISOString(),
  code: row.code,
  subject: { kind: row.subjectKind, id: row.subjectId },
  content: row.content,
});

/** A page of a firm's log, the newest first. */
export async function auditPage(
  firmId: string,
  { search, kind, subject, before, limit }: z.output<typeof auditQuerySchema>,
) {
  const rows = await AuditRow.findAll({
    where: {
      [Op.and]: [
        { firmId },
        kind ? { subjectKind: kind } : {},
        subject ? { subjectId: subject } : {},
        before ? { seq: { [Op.lt]: before } } : {},
        // Who did it, on what; not what lies deeper in what was changed.
        search
          ? literal(
              `(content->>'by' || ' ' || (content->>'name')) ilike ${AuditRow.sequelize!.escape(containing(search))}`,
            )
          : {},
      ],
    },
    order: [['seq', 'DESC']],
    limit: limit + 1,
  });
  const entries = rows.slice(0, limit).map(plain);
  return { entries, next: rows.length > limit ? entries.at(-1)!.seq : null };
}

const atATime = 500;

/** A firm's log from its first entry on, a few at a time. */
export async function* logOf(firmId: string): AsyncGenerator<SealedEntry> {
  for (let from = 0; ;) {
    const rows = await AuditRow.findAll({
      where: { firmId, seq: { [Op.gt]: from } },
      order: [['seq', 'ASC']],
      limit: atATime,
    });
    if (rows.length === 0) return;
    for (const row of rows) {
      const { firmId: _firm, ...entry } = row.get({ plain: true });
      yield entry;
    }
    from = rows.at(-1)!.seq;
  }
}

/** What was changed of a job since it was brought to a version, the newest first. */
export async function changesSince(firmId: string, jobId: string, version: number) {
  const rows = await AuditRow.findAll({
    where: {
      firmId,
      subjectKind: 'job',
      subjectId: jobId,
      code: 'job-changed',
      [Op.and]: literal(`(content->'data'->>'version')::int > ${Number(version)}`),
    },
    order: [['seq', 'DESC']],
  });
  return rows.map(({ content }) => content?.data as { version: number; patches: unknown[] });
}

/** Takes out what the log says of a subject; that something was done stays, and the chain with it. */
export async function emptyEntries(
  firmId: string,
  subject: { kind: SubjectKind; id: string },
  transaction: Transaction,
): Promise<void> {
  await AuditRow.update(
    { content: null },
    { where: { firmId, subjectKind: subject.kind, subjectId: subject.id }, transaction },
  );
}
