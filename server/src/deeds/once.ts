import { createHash } from 'node:crypto';
import type { Request, Response } from 'express';
import { Op, type Sequelize, type Transaction } from 'sequelize';
import { DeedRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';
import { sessionOf } from '../session/requireSession.ts';

/** What a deed answers. */
export interface Answer {
  status: number;
  body: object | null;
}

const keyForm = /^[\w.:-]{8,200}$/;

/** What makes two requests under one key the same: where they go and what they carry. */
function fingerprint(request: Request): string {
  const hash = createHash('sha256').update(`${request.method} ${request.originalUrl}\n`);
  if (Buffer.isBuffer(request.body)) hash.update(request.body);
  else hash.update(JSON.stringify(request.body ?? null));
  return hash.digest('base64url');
}

function keyOf(request: Request): string | undefined {
  const key = request.get('idempotency-key');
  if (key === undefined || keyForm.test(key)) return key;
  throw new ApiError('invalid-input', {
    path: 'Idempotency-Key',
    message: 'A key is 8 to 200 letters, digits, points, colons and dashes.',
  });
}

/**
 * Does a deed in a transaction, keeps its answer with it, both or neither, under the key that the request brings (`Idempotency-Key`),
 * and answers: the same request sent again, after a lost answer or a killed server, gets the answer of the first time. Two at once wait
 * for each other. A request without a key is simply done. What takes long, and what does not touch the database, belongs before it.
 */
export async function once(
  sequelize: Sequelize,
  request: Request,
  response: Response,
  deed: (transaction: Transaction) => Promise<Answer>,
): Promise<void> {
  const key = keyOf(request);
  const { status, body } = await sequelize.transaction(async (transaction) => {
    if (key === undefined) return deed(transaction);
    const where = { firmId: sessionOf(response).firm.id, key };
    const wanted = fingerprint(request);
    // Whoever comes second waits here for the first to end, and then finds its answer, or nothing where it failed.
    await sequelize.query(
      'insert into deeds (firm_id, key, request, done_at) values (:firmId, :key, :wanted, now()) on conflict do nothing',
      { replacements: { ...where, wanted }, transaction },
    );
    const row = await DeedRow.findOne({ where, transaction, rejectOnEmpty: true });
    if (row.request !== wanted) throw new ApiError('key-reused');
    if (row.status !== null) return { status: row.status, body: row.answer };
    const answer = await deed(transaction);
    await row.update({ status: answer.status, answer: answer.body }, { transaction });
    return answer;
  });
  if (body === null) response.status(status).end();
  else response.status(status).json(body);
}

/** Days that an answer is kept: a phone may come out of a basement a fortnight later. */
const keptDays = 60;

/** Forgets answers that nobody will ask for any more. */
export async function forgetOldDeeds(now: Date): Promise<void> {
  await DeedRow.destroy({
    where: { doneAt: { [Op.lt]: new Date(now.getTime() - keptDays * 86400e3) } },
  });
}
